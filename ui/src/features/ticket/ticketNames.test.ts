import { describe, expect, it } from 'vitest';
import { ticket } from '../../testing/samples';
import { distinct, followed, namesOf } from './ticketNames';
import type { TicketDocument } from './queries';

const paper = (width: number, height: number, unit: 'IN' | 'CM' = 'IN'): TicketDocument['size'] => ({
  kind: 'paper',
  width: { value: width, unit },
  height: { value: height, unit },
});
const document = (part: Partial<TicketDocument> = {}) =>
  ticket({ size: paper(8, 10), name: 'Prints 8 × 10', folder: 'prints-8x10', ...part }).document;

describe('a ticket’s name and folder', () => {
  it('say its size', () => {
    expect(namesOf(paper(8, 10))).toEqual({ name: 'Prints 8 × 10', folder: 'prints-8x10' });
    expect(namesOf(paper(4.5, 6))).toEqual({ name: 'Prints 4 ½ × 6', folder: 'prints-4.5x6' });
    expect(namesOf(paper(10, 15, 'CM'))).toEqual({ name: 'Prints 10 × 15 cm', folder: 'prints-10x15cm' });
    expect(namesOf({ kind: 'scaled', to: { kind: 'side', side: 'LONG', pixels: 2048 }, enlarging: 'NEVER' })).toEqual({
      name: 'Pictures, a long side of 2048 px',
      folder: 'pictures-2048px',
    });
  });

  it('follow its size', () => {
    expect(followed(document(), { size: paper(5, 7) }, [])).toMatchObject({ name: 'Prints 5 × 7', folder: 'prints-5x7' });
    expect(followed(document({ name: 'Prints 8 × 10 2', folder: 'prints-8x10-2' }), { size: paper(5, 7) }, [])).toMatchObject({
      name: 'Prints 5 × 7',
      folder: 'prints-5x7',
    });
    expect(followed(document(), { ppi: 200 }, [])).toEqual({ ppi: 200 });
  });

  it('stay once somebody has written them', () => {
    const changed = followed(document({ name: 'For the gallery' }), { size: paper(5, 7) }, []);
    expect(changed).not.toHaveProperty('name');
    expect(changed.folder).toBe('prints-5x7');
    expect(followed(document(), { size: paper(5, 7), folder: 'wall' }, []).folder).toBe('wall');
  });

  it('are no other ticket’s', () => {
    const first = { name: 'Prints 8 × 10', folder: 'prints-8x10' };
    const second = distinct(first, [first]);
    expect(second).toEqual({ name: 'Prints 8 × 10 2', folder: 'prints-8x10-2' });
    const third = { name: 'Prints 8 × 10 3', folder: 'prints-8x10-3' };
    expect(distinct(first, [first, second])).toEqual(third);
    expect(distinct(second, [first, second])).toEqual(third);
    expect(followed(document(), { size: paper(5, 7) }, [namesOf(paper(5, 7))])).toMatchObject({ name: 'Prints 5 × 7 2' });
  });
});
