import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { NamesShown } from './NamesShown';

const shown = (names: string[]) => render(<NamesShown names={names} />).container.textContent;

describe('the names that files will have', () => {
  it('are told by the first, the last and the longest', () => {
    expect(shown(['a.jpg', 'harbour.jpg', '', 'c.jpg'])).toBe('First a.jpg, last c.jpg, longest harbour.jpg');
    expect(shown(['a.jpg', 'harbour.jpg'])).toBe('First a.jpg, last harbour.jpg');
    expect(shown(['a.jpg'])).toBe('First a.jpg');
  });

  it('are not told where there are none', () => {
    expect(shown(['', ''])).toBe('');
  });
});
