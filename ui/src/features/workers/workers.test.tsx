import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { job, run } from '../../testing/samples';
import type { Worker } from './queries';

const worker = (more: Partial<Worker> = {}): Worker => ({
  id: 'one',
  name: 'worker-back-room-17',
  machine: 'back-room',
  number: 17,
  hasPages: false,
  state: 'IDLE',
  beganAt: '2026-11-30T08:00:00Z',
  seenAt: '2026-11-30T10:00:00Z',
  threads: 2,
  memoryBytes: 1.5e9,
  lastHour: 120,
  making: [],
  ...more,
});

const making = {
  pieceId: 'piece',
  runId: 'run',
  jobId: 'job',
  jobName: 'Kite days',
  originalPath: 'day-two/ribbon.jpg',
  name: 'ribbon_8x10in.jpg',
  strip: 3,
  strips: 8,
  checking: false,
};

describe('workers', () => {
  it('show what each is making, strip by strip', async () => {
    fakeServer({
      'GET /workers': [worker({ state: 'MAKING', making: [making, { ...making, pieceId: 'b', name: 'b.jpg', checking: true }] })],
      'GET /runs': [],
      'GET /jobs': [],
    });
    openPage('/floor');
    const one = await screen.findByRole('region', { name: 'worker-back-room-17' });
    expect(within(one).getByText('strip 3 of 8')).toBeTruthy();
    const bar = within(one).getByRole('progressbar', { name: 'ribbon_8x10in.jpg, strip 3 of 8' });
    expect(bar.getAttribute('value')).toBe('3');
    expect(within(one).getByText('being checked')).toBeTruthy();
    expect(screen.getByText('Nothing is running.')).toBeTruthy();
  });

  it('tell of a lost one, and take it off the list', async () => {
    const server = fakeServer({
      'GET /workers': [worker({ state: 'LOST' })],
      'GET /runs': [],
      'GET /jobs': [],
      'DELETE /workers/one': new Response(null, { status: 204 }),
    });
    openPage('/floor');
    expect((await screen.findByRole('alert')).textContent).toContain('are made by others');
    fireEvent.click(screen.getByRole('button', { name: 'Take it off the list' }));
    await waitFor(() => expect(server.of('DELETE /workers/one')).toHaveLength(1));
  });

  it('put one run before the others', async () => {
    const server = fakeServer({
      'GET /workers': [worker()],
      'GET /runs': [run({ id: 'large', state: 'RUNNING' }), run({ id: 'small', state: 'RUNNING', putFirst: true })],
      'GET /jobs': [job()],
      'POST /runs/large/put-first': run({ id: 'large' }),
      'POST /runs/small/put-back': problem(409, 'x', 'It cannot be moved.', 'Load the page again.'),
    });
    openPage('/floor');
    const runs = await screen.findByRole('region', { name: 'Runs that go on' });
    fireEvent.click(within(runs).getByRole('button', { name: 'Put it first' }));
    await waitFor(() => expect(server.of('POST /runs/large/put-first')).toHaveLength(1));
    expect(within(runs).getByText('before the others')).toBeTruthy();
    fireEvent.click(within(runs).getByRole('button', { name: 'Put it back' }));
    expect(await screen.findByText(/It cannot be moved/)).toBeTruthy();
  });

  it('say where to look when none is there', async () => {
    fakeServer({ 'GET /workers': [], 'GET /runs': [], 'GET /jobs': [] });
    openPage('/floor');
    expect(await screen.findByText('No worker is there')).toBeTruthy();
  });

  it('tell what waits outside, and lead there', async () => {
    const refused = { state: 'REFUSED' };
    fakeServer({
      'GET /workers': [worker()],
      'GET /runs': [],
      'GET /counter': { state: 'OPEN', lab: 'Saltmere Print Counter', currency: 'shillings', products: [] },
      'GET /counter-orders': [
        { id: 'o', jobId: 'job', runId: 'run', reference: 'Kite days', state: 'TO_MEND', pieces: [refused, { state: 'ACCEPTED' }] },
        { id: 'p', jobId: 'job', runId: 'done', reference: 'Over', state: 'READY', pieces: [] },
      ],
      'GET /roll': {
        state: 'REACHED',
        stop: 'PAPER',
        loaded: { width: 609.6, paper: 'lustre', left: 0 },
        inks: [],
        speed: 45,
        jobs: [],
      },
    });
    openPage('/floor');
    const order = await screen.findByRole('link', { name: 'Kite days' });
    expect(order.getAttribute('href')).toBe('/jobs/job/counter/run');
    expect(screen.getByText(/1 piece refused: it waits for you/)).toBeTruthy();
    expect(screen.queryByText('Over')).toBeNull();
    expect(screen.getByText(/the roll has ended/)).toBeTruthy();
  });
});
