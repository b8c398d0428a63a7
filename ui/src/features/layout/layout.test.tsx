import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { jobAnswers, run } from '../../testing/samples';
import type { Laid, Layout, Wish } from './wish';

const laid = (number: number, more: Partial<Laid> = {}): Laid => ({
  number,
  pieceId: `piece${number}`,
  runId: 'run',
  originalId: `original${number}`,
  name: `kite${number}.jpg`,
  copy: 1,
  part: 1,
  parts: 1,
  x: 5,
  y: 5 + 260 * number,
  width: 203.2,
  height: 254,
  turned: false,
  ...more,
});

const layout = (more: Partial<Layout> = {}): Layout => ({
  pages: [{ width: 609.6, height: 1200, laid: [laid(0), laid(1)] }],
  length: 1200,
  wastePercent: 12.34,
  cost: null,
  refused: [],
  wrong: [],
  ...more,
});

const open = (answers: Record<string, object>) => {
  const server = fakeServer({
    ...jobAnswers(),
    'GET /jobs/job/runs': [run({ id: 'run' })],
    'POST /layouts': layout(),
    ...answers,
  });
  openPage('/jobs/job/layout/run');
  return server;
};

const wishes = (server: ReturnType<typeof fakeServer>) => server.of('POST /layouts').map(({ body }) => body as Wish);

beforeEach(() => localStorage.clear());

describe('pieces on paper', () => {
  it('tell what paper they take, and what is not laid', async () => {
    open({
      'POST /layouts': layout({
        cost: 15,
        refused: [{ code: 'too-large-for-paper', subject: 'wide.jpg', text: 'wide.jpg is 900 × 700 mm.', remedy: 'Take larger paper.' }],
      }),
    });
    expect(await screen.findByText('1.2 m')).toBeTruthy();
    expect(screen.getByText('12.3 %')).toBeTruthy();
    expect(screen.getByText('15')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toContain('wide.jpg is 900 × 700 mm. Take larger paper.');
  });

  it('are moved and turned by keys, undone, and kept when the page is left', async () => {
    const server = open({});
    const piece = await screen.findByRole('button', { name: 'kite1.jpg, at 5, 265 mm' });
    fireEvent.keyDown(piece, { key: 'ArrowRight', shiftKey: true });
    await waitFor(() => expect(wishes(server).at(-1)!.byHand).toEqual([{ number: 1, page: 0, x: 15, y: 265, turned: false }]));
    fireEvent.keyDown(piece, { key: 't' });
    await waitFor(() => expect(wishes(server).at(-1)!.byHand).toEqual([{ number: 1, page: 0, x: 5, y: 265, turned: true }]));
    expect((JSON.parse(localStorage.getItem('embrick.layout.run')!) as Wish).byHand).toHaveLength(1);
    fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect((JSON.parse(localStorage.getItem('embrick.layout.run')!) as Wish).byHand).toEqual([]));
    expect(screen.getByRole('button', { name: 'Undo' }).hasAttribute('disabled')).toBe(true);
  });

  it('cannot be saved while one lies over another', async () => {
    open({
      'POST /layouts': layout({
        wrong: [{ code: 'pieces-overlap', subject: 'kite0.jpg', text: 'kite0.jpg lies over kite1.jpg.', remedy: 'Put it elsewhere.' }],
      }),
    });
    expect((await screen.findByRole('alert')).textContent).toContain('kite0.jpg lies over kite1.jpg.');
    expect(screen.getByRole('button', { name: 'Save as PDF' }).hasAttribute('disabled')).toBe(true);
  });

  it('lie on the paper that is chosen', async () => {
    const server = open({});
    await screen.findByText('1.2 m');
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Paper' }));
    fireEvent.click(await screen.findByText('sheets of 13 × 19 in'));
    await waitFor(() => expect(wishes(server).at(-1)).toMatchObject({ width: 330.2, height: 482.59999999999997, byHand: [] }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Print what is too wide in parts' }));
    await waitFor(() => expect(wishes(server).at(-1)!.overlap).toBe(10));
    expect(screen.getByText('sheet', { exact: false, selector: '[role=status] span' }).textContent).toBe('1 sheet');
  });

  it('say why nothing is shown', async () => {
    open({ 'POST /layouts': problem(404, 'not-found', 'There is no such run.', 'Go back to the list.') });
    expect(await screen.findByText(/There is no such run/)).toBeTruthy();
  });
});
