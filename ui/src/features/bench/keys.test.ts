import { describe, expect, it } from 'vitest';
import { commandOf, keyLines } from './keys';

const press = (key: string, held: { ctrl?: boolean; shift?: boolean; alt?: boolean } = {}) =>
  commandOf({ key, ctrlKey: held.ctrl ?? false, shiftKey: held.shift ?? false, altKey: held.alt ?? false, metaKey: false });

describe('the keys of the bench', () => {
  it('each stand for one command', () => {
    const names = keyLines.map(({ keys }) => keys.join('+'));
    expect(new Set(names).size).toBe(names.length);
  });

  it('hear small and capital letters alike', () => {
    expect(press('e')).toBe('level');
    expect(press('E', { shift: true })).toBe('level');
    expect(press('B', { shift: true })).toBe('quarter-back');
    expect(press('b')).toBe('quarter');
  });

  it('leave the browser its own', () => {
    expect(press('c', { ctrl: true })).toBeUndefined();
    expect(press('q', { alt: true })).toBeUndefined();
    expect(press('z', { ctrl: true })).toBe('undo');
    expect(press('Z', { ctrl: true, shift: true })).toBe('redo');
    expect(press('F5')).toBeUndefined();
  });
});
