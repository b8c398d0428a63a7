import { describe, expect, it } from 'vitest';
import { ticketDocument } from '../../testing/samples';
import { followed } from './ticketNames';
import { viewingOf } from './viewingOfSize';

const paper = (width: number, height: number, unit: 'IN' | 'MM' = 'IN') => ({
  kind: 'paper' as const,
  width: { value: width, unit },
  height: { value: height, unit },
});

describe('from how far a print is looked at', () => {
  it('follows from its diagonal', () => {
    expect([paper(4, 6), paper(8, 10), paper(210, 297, 'MM')].map(viewingOf)).toEqual(['HAND', 'HAND', 'HAND']);
    expect([paper(11, 14), paper(16, 20)].map(viewingOf)).toEqual(['TABLE', 'TABLE']);
    expect([paper(20, 24), paper(1000, 700, 'MM')].map(viewingOf)).toEqual(['WALL', 'WALL']);
    expect(viewingOf(paper(3000, 1000, 'MM'))).toBe('BANNER');
    expect(viewingOf({ kind: 'own' })).toBe('HAND');
  });

  it('goes with the size until somebody says otherwise', () => {
    const small = { ...ticketDocument, size: paper(8, 10), viewing: 'HAND' as const };
    expect(followed(small, { size: paper(20, 24) }, []).viewing).toBe('WALL');
    expect(followed({ ...small, viewing: 'TABLE' }, { size: paper(20, 24) }, []).viewing).toBeUndefined();
    expect(followed(small, { size: paper(20, 24), viewing: 'BANNER' }, []).viewing).toBe('BANNER');
  });
});
