import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { KeySheet } from './KeySheet';
import { areSingleKeysOn, switchSingleKeys } from './singleKeys';

describe('the key sheet', () => {
  it('names every key, and switches single ones off and on', () => {
    switchSingleKeys(true);
    render(<KeySheet title="Keys" lines={[{ keys: ['Ctrl', 'Z'], does: 'undo' }]} onClose={vi.fn()} />);
    expect(screen.getByText('undo')).toBeTruthy();
    expect(screen.getByText('Ctrl').tagName).toBe('KBD');
    fireEvent.click(screen.getByRole('checkbox'));
    expect(areSingleKeysOn()).toBe(false);
    fireEvent.click(screen.getByRole('checkbox'));
    expect(areSingleKeysOn()).toBe(true);
  });
});
