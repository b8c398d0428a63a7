import { fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { switchSingleKeys } from './singleKeys';
import { useKeys } from './useKeys';

const heard = vi.fn();

function Page() {
  useKeys((event) => heard(event.key));
  return (
    <>
      <input aria-label="name" />
      <input aria-label="choice" type="radio" />
      <select aria-label="sorted" />
      <div role="dialog">
        <button type="button">in a dialog</button>
      </div>
      <button type="button">on the page</button>
    </>
  );
}

beforeEach(() => {
  heard.mockReset();
  switchSingleKeys(true);
  render(<Page />);
});

const onPage = () => screen.getByText('on the page');

describe('the keys of a page', () => {
  it('are heard wherever the focus is on it', () => {
    fireEvent.keyDown(onPage(), { key: 'j' });
    fireEvent.keyDown(document.body, { key: 'Enter' });
    expect(heard.mock.calls).toEqual([['j'], ['Enter']]);
  });

  it('go on when a control was clicked, which Enter and the space bar leave alone', () => {
    const clicked = vi.fn();
    onPage().addEventListener('click', clicked);
    fireEvent.pointerDown(onPage());
    for (const key of ['Enter', ' ']) {
      expect(fireEvent.keyDown(onPage(), { key }), 'what the browser would do is prevented').toBe(false);
    }
    expect(heard.mock.calls).toEqual([['Enter'], [' ']]);
  });

  it('are the control’s where Tab led to it', () => {
    fireEvent.pointerDown(onPage());
    fireEvent.keyDown(document.body, { key: 'Tab' });
    heard.mockReset();
    expect(fireEvent.keyDown(onPage(), { key: 'Enter' })).toBe(true);
    expect(heard).not.toHaveBeenCalled();
  });

  it('are left to fields, lists and dialogs', () => {
    fireEvent.keyDown(screen.getByLabelText('name'), { key: 'j' });
    fireEvent.keyDown(screen.getByLabelText('sorted'), { key: 'j' });
    fireEvent.keyDown(screen.getByText('in a dialog'), { key: 'j' });
    expect(heard).not.toHaveBeenCalled();
  });

  it('are the page’s again after a choice was clicked, but for its arrows', () => {
    fireEvent.keyDown(screen.getByLabelText('choice'), { key: 'j' });
    fireEvent.keyDown(screen.getByLabelText('choice'), { key: 'ArrowDown' });
    expect(heard.mock.calls).toEqual([['j']]);
  });

  it('with Alt are the browser’s: it goes back', () => {
    fireEvent.keyDown(onPage(), { key: 'ArrowLeft', altKey: true });
    expect(heard).not.toHaveBeenCalled();
  });

  it('do nothing as single letters once they are switched off; with Ctrl, and others, they do', () => {
    switchSingleKeys(false);
    fireEvent.keyDown(onPage(), { key: 'j' });
    fireEvent.keyDown(onPage(), { key: '0' });
    fireEvent.keyDown(onPage(), { key: 'z', ctrlKey: true });
    fireEvent.keyDown(onPage(), { key: 'ArrowLeft' });
    expect(heard.mock.calls).toEqual([['z'], ['ArrowLeft']]);
  });
});
