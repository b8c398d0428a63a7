import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { jobAnswers, original, piece, run } from '../../testing/samples';

const answers = (shown: ReturnType<typeof run>, ...pieces: ReturnType<typeof piece>[]) => ({
  ...jobAnswers(original('a'), original('b')),
  'GET /jobs/job/runs': [shown],
  'GET /runs/run': { run: shown, pieces },
});
const counts = (changed: object) => ({ all: 2, checked: 0, failed: 0, making: 0, waiting: 0, stopped: 0, ...changed });

describe('the run page', () => {
  it('waits for the runs', async () => {
    fakeServer({ ...jobAnswers(), 'GET /jobs/job/runs': never });
    openPage('/jobs/job/run');
    expect(await screen.findByText(/the runs/)).toBeTruthy();
  });

  it('without a run leads to the ticket', async () => {
    fakeServer(jobAnswers(original('a')));
    const router = openPage('/jobs/job/run');
    expect(await screen.findByText('Nothing has been run yet')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Go to the ticket' }));
    await waitFor(() => expect(router.state.location.pathname).toContain('/jobs/job/ticket'));
  });

  it('tells why a run cannot be shown', async () => {
    fakeServer({ ...answers(run()), 'GET /runs/run': problem(404, 'not-found', 'There is no such run.', 'See the other runs.') });
    openPage('/jobs/job/run/run');
    expect(await screen.findByText(/There is no such run/)).toBeTruthy();
  });

  it('while it goes shows what is being made, and stops', async () => {
    const going = run({ state: 'RUNNING', finishedAt: null, secondsLeft: 40, counts: counts({ checked: 1, making: 1 }) });
    const server = fakeServer({
      ...answers(going, piece('a'), piece('b', { state: 'MAKING', strip: 3, strips: 12 })),
      'POST /runs/run/stop': going,
    });
    openPage('/jobs/job/run');
    expect(await screen.findByText(/strip 3 of 12/)).toBeTruthy();
    expect(screen.getByText('0:40')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    await waitFor(() => expect(server.of('POST /runs/run/stop')).toHaveLength(1));
  });

  it('has a wall for each ticket', async () => {
    const order = (id: string, ticketName: string) => ({ id, ticketId: id, ticketName, folder: `Kite days/${id}` });
    const both = run({ orders: [order('order', 'Prints 8 × 10'), order('screen', 'Screen set')] });
    fakeServer(answers(both, piece('a'), piece('b', { orderId: 'screen', state: 'FAILED' })));
    openPage('/jobs/job/run');
    expect(await screen.findByRole('heading', { name: 'Prints 8 × 10 and Screen set' })).toBeTruthy();
    expect(within(screen.getByRole('region', { name: 'Prints 8 × 10' })).getByText('1 of 1 checked')).toBeTruthy();
    expect(within(screen.getByRole('region', { name: 'Screen set' })).getByText('0 of 1 checked')).toBeTruthy();
    expect(screen.getByText(/In order and screen/)).toBeTruthy();
  });

  it('held up says why and what to do, and goes on by hand', async () => {
    const paused = run({
      state: 'PAUSED',
      finishedAt: null,
      counts: counts({ checked: 1, waiting: 1 }),
      pause: { code: 'disk-full', subject: 'storage', text: 'The disk is full.', remedy: 'Make room.' },
    });
    const server = fakeServer({ ...answers(paused, piece('a'), piece('b', { state: 'WAITING' })), 'POST /runs/run/resume': paused });
    openPage('/jobs/job/run');
    expect((await screen.findByRole('alert')).textContent).toBe('Paused: The disk is full. Make room.');
    fireEvent.click(screen.getByRole('button', { name: 'Continue now' }));
    await waitFor(() => expect(server.of('POST /runs/run/resume')).toHaveLength(1));
  });

  it('names each failed piece with its remedy, tries one again, or all', async () => {
    const bad = (id: string) =>
      piece(id, { state: 'FAILED', problem: { code: 'cut-off', subject: id, text: `${id}.jpg ends in the middle.`, remedy: 'Add it again.' } });
    const ended = run({ counts: counts({ failed: 2 }) });
    const server = fakeServer({ ...answers(ended, bad('a'), bad('b')), 'POST /runs/run/retry': ended });
    openPage('/jobs/job/run');
    const failed = await screen.findByRole('region', { name: 'Failed' });
    expect(within(failed).getByText('a.jpg ends in the middle.')).toBeTruthy();
    fireEvent.click(within(failed).getAllByRole('button', { name: 'Try again' })[1]!);
    await waitFor(() => expect(server.of('POST /runs/run/retry')[0]?.body).toEqual({ pieceIds: ['b'] }));
    fireEvent.click(await within(failed).findByRole('button', { name: 'Try all 2 again' }));
    await waitFor(() => expect(server.of('POST /runs/run/retry')[1]?.body).toEqual({ pieceIds: null }));
  });

  it('says why a command was refused', async () => {
    const stopped = run({ state: 'STOPPED', finishedAt: null, counts: counts({ checked: 1, stopped: 1 }) });
    fakeServer({
      ...answers(stopped, piece('a'), piece('b', { state: 'STOPPED' })),
      'POST /runs/run/resume': problem(507, 'no-room', 'There is no room for it.', 'Make room on the disk.'),
    });
    openPage('/jobs/job/run');
    fireEvent.click(await screen.findByRole('button', { name: 'Resume 1' }));
    expect(await screen.findByText('There is no room for it. Make room on the disk.')).toBeTruthy();
  });

  it('leads from a finished run to its delivery', async () => {
    fakeServer(answers(run(), piece('a'), piece('b')));
    openPage('/jobs/job/run');
    const link = await screen.findByRole('link', { name: 'See the delivery' });
    expect(link.getAttribute('href')).toBe('/jobs/job/delivery/run');
  });
});
