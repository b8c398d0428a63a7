import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { giveRoom } from '../../testing/room';
import { delivered, delivery, jobAnswers, original, run } from '../../testing/samples';

const answers = (...pieces: ReturnType<typeof delivered>[]) => ({
  ...jobAnswers(original('a'), original('b')),
  'GET /jobs/job/runs': [run()],
  'GET /runs/run/delivery': delivery(...pieces),
});

beforeEach(() => giveRoom());

describe('the delivery page', () => {
  it('waits, and says so', async () => {
    fakeServer({ ...answers(), 'GET /runs/run/delivery': never });
    openPage('/jobs/job/delivery');
    expect(await screen.findByText(/the delivery/)).toBeTruthy();
  });

  it('before anything was delivered leads to the ticket', async () => {
    fakeServer(jobAnswers(original('a')));
    const router = openPage('/jobs/job/delivery');
    expect(await screen.findByText('Nothing has been delivered yet')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Go to the ticket' }));
    await waitFor(() => expect(router.state.location.pathname).toContain('/jobs/job/ticket'));
  });

  it('lists each piece with its original and its check', async () => {
    fakeServer(answers(delivered('a'), delivered('b', { haloPercent: 21, haloNoticed: true })));
    openPage('/jobs/job/delivery/run');
    expect(await screen.findByText('/deliveries/Kite days/prints-8x10')).toBeTruthy();
    expect(screen.getByText(/2 checked files of 2/)).toBeTruthy();
    const link = await screen.findByRole('link', { name: 'a_8x10.jpg' });
    expect(link.getAttribute('href')).toBe('/api/v1/pieces/a/file');
    expect(screen.getByText(/halo 21 %, visible halos/)).toBeTruthy();
  });

  it('keeps the tickets of one run apart', async () => {
    const whole = delivery(delivered('a'), delivered('b', { orderId: 'screen' }));
    const screenSet = { id: 'screen', ticketName: 'Screen set', folder: 'Kite days/screen', place: '/deliveries/Kite days/screen', isForBooks: true };
    fakeServer({ ...answers(), 'GET /runs/run/delivery': { ...whole, orders: [...whole.orders, screenSet] } });
    openPage('/jobs/job/delivery/run');
    expect(await screen.findByRole('heading', { name: 'Prints 8 × 10 and Screen set' })).toBeTruthy();
    expect(screen.getByText('/deliveries/Kite days/screen')).toBeTruthy();
    // Only the second is made of pages.
    expect(screen.getAllByRole('button', { name: 'PDF book' })).toHaveLength(1);
    fireEvent.change(screen.getByLabelText('Find by piece or by original'), { target: { value: 'screen set' } });
    await waitFor(() => expect(screen.queryByText('a_8x10.jpg')).toBeNull());
    expect(screen.getByText('b_8x10.jpg')).toBeTruthy();
  });

  it('is searched by piece and by original', async () => {
    fakeServer(answers(delivered('a'), delivered('b')));
    openPage('/jobs/job/delivery/run');
    await screen.findByText('a_8x10.jpg');
    fireEvent.change(screen.getByLabelText('Find by piece or by original'), { target: { value: 'B.JPG' } });
    await waitFor(() => expect(screen.queryByText('a_8x10.jpg')).toBeNull());
    expect(screen.getByText('b_8x10.jpg')).toBeTruthy();
  });

  it('names what is no longer there, makes it again, and offers the rest alone', async () => {
    const server = fakeServer({
      ...answers(delivered('a', { onDisk: 'MISSING' }), delivered('b')),
      'POST /runs/run/retry': run({ state: 'RUNNING' }),
    });
    const router = openPage('/jobs/job/delivery/run');
    expect((await screen.findByRole('alert')).textContent).toContain('a_8x10.jpg is missing');
    expect(screen.queryByRole('button', { name: 'Download all as ZIP' })).toBeNull();
    expect(screen.getByRole('link', { name: 'ZIP of the 1 that are there' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Make it again' }));
    await waitFor(() => expect(server.of('POST /runs/run/retry')[0]?.body).toEqual({ pieceIds: ['a'] }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/run'));
  });

  it('lists all runs with their room on the disk, and deletes one with its files or without', async () => {
    const other = run({ id: 'other', folder: 'Kite days/old', fileBytes: 3 * 1024 * 1024 });
    const going = run({ id: 'going', folder: 'Kite days/new', state: 'RUNNING', finishedAt: null });
    const server = fakeServer({
      ...answers(delivered('a')),
      'GET /jobs/job/runs': [run(), other, going],
      'DELETE /runs/other': new Response(null, { status: 204 }),
    });
    openPage('/jobs/job/delivery/run');
    const list = await screen.findByRole('region', { name: 'All runs of this job' });
    const [, old, now] = within(list).getAllByRole('listitem');
    expect(old!.textContent).toContain('3 MiB');
    expect(within(now!).getByRole('button', { name: 'Delete' })).toHaveProperty('disabled', true);
    fireEvent.click(within(old!).getByRole('button', { name: 'Delete' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Delete the run, keep its files' }));
    await waitFor(() => expect(server.of('DELETE /runs/other')).toHaveLength(1));
    expect(await screen.findByText('The run was deleted; old stays.')).toBeTruthy();
  });

  it('looks before a download whether all is still there', async () => {
    const server = fakeServer(answers(delivered('a')));
    openPage('/jobs/job/delivery/run');
    const button = await screen.findByRole('button', { name: 'Download all as ZIP' });
    server.now({ 'GET /runs/run/delivery': delivery(delivered('a', { onDisk: 'CHANGED' })) });
    fireEvent.click(button);
    expect((await screen.findByRole('alert')).textContent).toContain('a_8x10.jpg is changed');
  });

  it('tells what is wrong with a delivery that cannot be read', async () => {
    fakeServer({ ...answers(), 'GET /runs/run/delivery': problem(500, 'storage-gone', 'The storage is not there.', 'Connect the disk.') });
    openPage('/jobs/job/delivery/run');
    expect(await screen.findByText(/The storage is not there/)).toBeTruthy();
  });

  it('makes a piece again on a larger sheet, and shows its run', async () => {
    const server = fakeServer({
      ...answers(delivered('a', { width: 3000, height: 2400, ppi: 300 })),
      'POST /pieces/a/larger': { jobId: 'job', ticketId: 'larger', runId: 'second' },
    });
    const router = openPage('/jobs/job/delivery/run');
    fireEvent.click(await screen.findByRole('button', { name: 'Make a_8x10.jpg again, larger' }));
    expect(await screen.findByText(/Its longer side was 10 in/)).toBeTruthy();
    const side = screen.getByRole('spinbutton', { name: 'Longer side' });
    fireEvent.change(side, { target: { value: '10' } });
    expect(screen.getByRole('button', { name: 'Make it' }).hasAttribute('disabled')).toBe(true);
    fireEvent.change(side, { target: { value: '24' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make it' }));
    await waitFor(() =>
      expect(server.of('POST /pieces/a/larger')[0]?.body).toEqual({ longSide: { value: 24, unit: 'IN' } }),
    );
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/second'));
  });
});
