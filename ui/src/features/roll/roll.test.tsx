import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';

const piece = (number: number, y: number, printed: boolean) => ({
  number,
  name: `${number}.jpg`,
  x: 5,
  y,
  width: 254,
  height: 203,
  turned: number === 1,
  printed,
  originalId: `o${number}`,
});
const job = (state: string, more: object = {}) => ({
  id: 'j',
  name: '2 pieces',
  receivedAt: '2026-11-30T10:00:00Z',
  state,
  width: 609.6,
  runIds: ['run'],
  pages: [{ length: 1000, pieces: [piece(0, 5, true), piece(1, 300, false)] }],
  stretches: [{ page: 0, roll: 3, from: 0, at: 400, end: 'PAPER', picture: 1 }],
  ...more,
});
const roll = (stop: string | null, jobs: object[]) => ({
  state: 'REACHED',
  stop,
  loaded: { width: 609.6, paper: 'lustre', left: 12_340 },
  inks: [{ name: 'black', percent: 64 }],
  speed: 45,
  jobs,
});

describe('the roll printer', () => {
  it('tells what is in it', async () => {
    fakeServer({ 'GET /roll': roll(null, []) });
    openPage('/roll');
    expect(await screen.findByText('24 in', { selector: 'b' })).toBeTruthy();
    expect(screen.getByText('12.34 m')).toBeTruthy();
    expect(screen.getByText(/black 64 %/)).toBeTruthy();
    expect(screen.getByText(/Nothing has been sent/)).toBeTruthy();
  });

  it('whose roll has ended is given another, and says what becomes of the pieces', async () => {
    const server = fakeServer({ 'GET /roll': roll('PAPER', [job('PRINTING')]), 'PUT /roll/paper': roll(null, [job('PRINTING')]) });
    openPage('/roll');
    expect(await screen.findByText(/The roll has ended/)).toBeTruthy();
    expect(screen.getByText('waits for you')).toBeTruthy();
    expect(screen.getByText('1 of 2 pieces whole on paper')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Load this roll' }));
    await waitFor(() =>
      expect(server.of('PUT /roll/paper')[0]?.body).toEqual({ width: 24 * 25.4, paper: 'lustre', length: 30_000 }),
    );
    await waitFor(() => expect(screen.queryByText(/The roll has ended/)).toBeNull());
  });

  it('that has jammed goes on when a person says so', async () => {
    const server = fakeServer({ 'GET /roll': roll('JAM', [job('PRINTING')]), 'POST /roll/jam/clear': roll(null, []) });
    openPage('/roll');
    fireEvent.click(await screen.findByRole('button', { name: /The paper is free/ }));
    await waitFor(() => expect(server.of('POST /roll/jam/clear')).toHaveLength(1));
  });

  it('shows the line where it is, what is printed in full colour and the rest pale', async () => {
    const printing = job('PRINTING', { stretches: [{ page: 0, roll: 3, from: 0, at: 260, end: 'NONE', picture: null }] });
    fakeServer({ 'GET /roll': roll(null, [printing]) });
    openPage('/roll');
    const paper = await screen.findByRole('img', { name: 'The paper, 1 m long' });
    expect(paper.querySelector('.roll-line')?.getAttribute('x1')).toBe('260');
    const pieces = [...paper.querySelectorAll('.roll-piece')].map((each) => each.getAttribute('class'));
    expect(pieces).toEqual(['roll-piece', 'roll-piece roll-to-come']);
    // What is turned on the page is seen upright here, the other lies on its side.
    const turns = [...paper.querySelectorAll('image')].map((each) => each.getAttribute('transform'));
    expect(turns[0]).toMatch(/^rotate\(-90/);
    expect(turns[1]).toBeNull();
  });

  it('that is away says how it is found again', async () => {
    fakeServer({ 'GET /roll': { state: 'NOT_REACHED', stop: null, inks: [], speed: 0, jobs: [] } });
    openPage('/roll');
    expect(await screen.findByText('The roll printer cannot be reached')).toBeTruthy();
  });
});
