import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { giveRoom } from '../../testing/room';
import { broken, estimate, jobAnswers, original, pictureEstimate, run, ticket, ticketDocument } from '../../testing/samples';

beforeEach(() => {
  localStorage.clear();
  giveRoom();
});

const card = async (name: string) => (await screen.findByText(`${name}.jpg`)).closest('[role="option"]')!;
const foot = () => screen.findByRole('region', { name: 'Selected pictures' });

describe('the pile', () => {
  it('waits for its pictures', async () => {
    fakeServer({ ...jobAnswers(), 'GET /jobs/job/originals': never });
    openPage('/jobs/job/pile');
    expect(await screen.findByText(/the pile/)).toBeTruthy();
  });

  it('without a picture is one large place to drop them', async () => {
    fakeServer(jobAnswers());
    openPage('/jobs/job/pile');
    expect(await screen.findByText('Drop the pictures of this job here')).toBeTruthy();
  });

  it('that cannot be read says why, and is read again', async () => {
    const server = fakeServer({
      ...jobAnswers(original('a')),
      'GET /jobs/job/originals': problem(503, 'database-away', 'The database does not answer.', 'Try again.'),
    });
    openPage('/jobs/job/pile');
    expect(await screen.findByText(/The database does not answer/)).toBeTruthy();
    server.now({ 'GET /jobs/job/originals': [original('kite')] });
    fireEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await screen.findByText('kite.jpg')).toBeTruthy();
  });

  it('counts what is too small and what will not open, and shows only those', async () => {
    fakeServer({
      ...jobAnswers(original('large'), original('small'), broken('torn')),
      'POST /jobs/job/estimate': estimate(pictureEstimate('large'), pictureEstimate('small', { verdict: 'POOR', realPpi: 90 })),
    });
    openPage('/jobs/job/pile');
    const show = await screen.findByRole('group', { name: 'Show' });
    expect(await within(show).findByRole('button', { name: 'all 3' })).toBeTruthy();
    fireEvent.click(await within(show).findByRole('button', { name: 'need attention 2' }));
    await waitFor(() => expect(screen.queryByText('large.jpg')).toBeNull());
    expect(screen.getByText('small.jpg')).toBeTruthy();
    expect(screen.getByText(/ends in the middle/)).toBeTruthy();
  });

  it('tells which products its pictures can serve, and makes a ticket for one', async () => {
    const length = (value: number) => ({ value, unit: 'MM' });
    const rule = { kind: 'product', schemaVersion: 1, unit: 'MM', width: length(200), height: length(90), bleed: length(0), safe: length(0), ppi: 300, leastPpi: 150, colour: null, files: ['JPEG'], mostBytes: null };
    const server = fakeServer({
      ...jobAnswers(original('a'), original('b')),
      'GET /jobs/job/products': [
        {
          keptId: 'mug',
          name: 'Mug wrap',
          rule,
          pictures: [
            { originalId: 'a', bestPpi: 300, problem: null },
            { originalId: 'b', bestPpi: 80.4, problem: { code: 'below-product', subject: 'size', text: 'too few', remedy: '' } },
          ],
        },
      ],
      'POST /kept/mug/lay-over': ticketDocument,
      'POST /jobs/job/tickets': { ...ticket({ name: 'Mug wrap' }), id: 'second' },
    });
    const router = openPage('/jobs/job/pile');
    fireEvent.click(await screen.findByRole('button', { name: 'Products' }));
    expect(await screen.findByText('1 of 2 pictures can serve')).toBeTruthy();
    expect(screen.getByText('b.jpg: 80 ppi at best')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Make a ticket for it' }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/ticket/second'));
    expect(server.of('POST /jobs/job/tickets')[0]?.body).toMatchObject({ name: 'Mug wrap', folder: 'mug-wrap' });
  });

  it('runs all that can be printed', async () => {
    const server = fakeServer({
      ...jobAnswers(original('a'), original('b')),
      'POST /tickets/ticket/runs': run({ state: 'RUNNING' }),
      'GET /runs/run': { run: run({ state: 'RUNNING' }), pieces: [] },
    });
    const router = openPage('/jobs/job/pile');
    fireEvent.click(await screen.findByRole('button', { name: 'Run 2 pieces' }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/run'));
    expect(server.of('POST /tickets/ticket/runs')).toHaveLength(1);
  });

  it('says why a run does not start, and stays', async () => {
    fakeServer({
      ...jobAnswers(original('a')),
      'POST /tickets/ticket/runs': problem(507, 'no-room', 'The run needs about 4 GB and 1 GB is free.', 'Make room.'),
    });
    const router = openPage('/jobs/job/pile');
    fireEvent.click(await screen.findByRole('button', { name: 'Run 1 piece' }));
    expect(await screen.findByText('The run needs about 4 GB and 1 GB is free. Make room.')).toBeTruthy();
    expect(router.state.location.pathname).toBe('/jobs/job/pile');
  });

  const outcome = { framings: [], overrides: [], picturesChanged: true, history: { undo: { id: 'edit', words: 'exclude 2 pictures' }, redo: null } };
  const edits = (server: ReturnType<typeof fakeServer>) => server.of('POST /jobs/job/edits').map(({ body }) => body);

  it('excludes chosen pictures from runs as one edit, a second one reached with Shift, and undoes it', async () => {
    const server = fakeServer({
      ...jobAnswers(original('a'), original('b'), original('c')),
      'POST /jobs/job/edits': outcome,
      'POST /jobs/job/edits/edit/undo': { ...outcome, history: { undo: null, redo: outcome.history.undo } },
    });
    openPage('/jobs/job/pile');
    fireEvent.click(await card('a'));
    fireEvent.click(await card('b'), { shiftKey: true });
    expect(await within(await foot()).findByText('2 selected')).toBeTruthy();
    fireEvent.click(within(await foot()).getByRole('button', { name: 'Exclude from runs' }));
    await waitFor(() =>
      expect(edits(server)[0]).toMatchObject({
        words: 'exclude 2 pictures',
        exclusions: [
          { originalId: 'a', leftOut: true },
          { originalId: 'b', leftOut: true },
        ],
      }),
    );
    await waitFor(() => expect(screen.getByTitle('Undo: exclude 2 pictures (Ctrl Z)').hasAttribute('disabled')).toBe(false));
    fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
    await waitFor(() => expect(server.of('POST /jobs/job/edits/edit/undo')).toHaveLength(1));
    expect(await screen.findByTitle('Redo: exclude 2 pictures (Ctrl Shift Z)')).toBeTruthy();
  });

  it('leaves Ctrl Z to the search field', async () => {
    const server = fakeServer({ ...jobAnswers(original('a')), 'GET /jobs/job/edits': outcome.history });
    openPage('/jobs/job/pile');
    fireEvent.keyDown(await screen.findByRole('searchbox'), { key: 'z', ctrlKey: true });
    expect(server.of('POST /jobs/job/edits/edit/undo')).toHaveLength(0);
  });

  it('moves a picture by hand with keys, and the chosen ones first', async () => {
    const server = fakeServer({ ...jobAnswers(original('a'), original('b'), original('c')), 'POST /jobs/job/edits': outcome });
    openPage('/jobs/job/pile');
    fireEvent.keyDown(await card('a'), { key: 'ArrowRight', ctrlKey: true });
    await waitFor(() =>
      expect(edits(server)[0]).toMatchObject({ words: 'move 1 picture', pileOrder: { by: 'HAND', moved: ['a'], before: 'c' } }),
    );
    fireEvent.click(await card('c'));
    fireEvent.click(await screen.findByRole('button', { name: 'Move first' }));
    await waitFor(() => expect(edits(server)[1]).toMatchObject({ pileOrder: { by: 'HAND', moved: ['c'], before: 'a' } }));
  });

  it('is put in another order, and keeps one that was only shown', async () => {
    const server = fakeServer({
      ...jobAnswers(
        original('a', { facts: { ...original('a').facts!, width: 300 } }),
        original('b', { facts: { ...original('b').facts!, width: 6000 } }),
      ),
      'POST /jobs/job/edits': outcome,
    });
    openPage('/jobs/job/pile');
    const order = await screen.findByLabelText('Order');
    fireEvent.change(order, { target: { value: 'DATE' } });
    await waitFor(() => expect(edits(server)[0]).toMatchObject({ words: 'order by date taken', pileOrder: { by: 'DATE' } }));
    fireEvent.change(order, { target: { value: 'pixels' } });
    fireEvent.click(await screen.findByRole('button', { name: 'Keep this order' }));
    await waitFor(() => expect(edits(server)[1]).toMatchObject({ pileOrder: { by: 'HAND', moved: ['b', 'a'], before: null } }));
  });

  it('deletes chosen pictures once that was confirmed', async () => {
    const server = fakeServer({
      ...jobAnswers(original('a'), original('b')),
      'POST /jobs/job/originals/delete': new Response(null, { status: 204 }),
    });
    openPage('/jobs/job/pile');
    fireEvent.click(await card('a'));
    fireEvent.click(await within(await foot()).findByRole('button', { name: 'Delete' }));
    expect(await screen.findByText('Delete a.jpg from this job?')).toBeTruthy();
    expect(server.of('POST /jobs/job/originals/delete')).toHaveLength(0);
    fireEvent.click(within(screen.getByRole('tooltip')).getByRole('button', { name: 'Delete' }));
    await waitFor(() => expect(server.of('POST /jobs/job/originals/delete')[0]?.body).toEqual({ originalIds: ['a'] }));
    expect(await screen.findByText('1 picture deleted.')).toBeTruthy();
  });

  it('replaces one picture by its corrected file, and says why where it cannot', async () => {
    const server = fakeServer({
      ...jobAnswers(original('a'), original('b')),
      'PUT /originals/a/file': problem(409, 'picture-at-work', 'a.jpg is being made into a piece by a run.', 'Stop it.'),
    });
    openPage('/jobs/job/pile');
    fireEvent.click(await card('a'));
    const field = await screen.findByLabelText('Corrected file for a.jpg');
    fireEvent.change(field, { target: { files: [new File(['x'], 'a-new.jpg')] } });
    expect(await screen.findByText('a.jpg is being made into a piece by a run. Stop it.')).toBeTruthy();
    server.now({ 'PUT /originals/a/file': original('a') });
    fireEvent.change(field, { target: { files: [new File(['x'], 'a-new.jpg')] } });
    expect(await screen.findByText('a.jpg was replaced.')).toBeTruthy();
    fireEvent.click(await card('b'));
    expect(screen.queryByRole('button', { name: 'Replace' })).toBeNull();
  });

  it('lists files of an earlier visit that never came', async () => {
    localStorage.setItem('embrick.announced.job', JSON.stringify(['a.jpg', 'lost.jpg']));
    fakeServer(jobAnswers(original('a')));
    openPage('/jobs/job/pile');
    expect(await screen.findByText('1 file was to be added and did not arrive')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Send it again' }));
    expect(await screen.findByText('Drop more pictures here')).toBeTruthy();
  });
});
