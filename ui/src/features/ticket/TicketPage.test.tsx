import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { estimate, jobAnswers, original, pictureEstimate, run, ticket, ticketDocument } from '../../testing/samples';

const answers = () => ({
  ...jobAnswers(original('a'), original('b')),
  'GET /papers': [],
  'POST /originals/a/plan': { notices: [], problems: [] },
});

describe('the ticket page', () => {
  it('waits for the tickets', async () => {
    fakeServer({ ...answers(), 'GET /jobs/job/tickets': never });
    openPage('/jobs/job/ticket');
    expect(await screen.findByText(/the tickets/)).toBeTruthy();
  });

  it('tells why they cannot be read, and reads them again', async () => {
    const server = fakeServer({
      ...answers(),
      'GET /jobs/job/tickets': problem(503, 'database-away', 'The database does not answer.', 'Start it.'),
    });
    openPage('/jobs/job/ticket');
    expect(await screen.findByText(/The database does not answer/)).toBeTruthy();
    server.now({ 'GET /jobs/job/tickets': [ticket()] });
    fireEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await screen.findByRole('region', { name: 'Ticket' })).toBeTruthy();
  });

  it('takes a saved ticket into the job, and saves this one', async () => {
    const wall = { id: 'wall', version: 0, name: 'Wall prints', forNewJobs: false, savedAt: '2026-11-20T09:00:00Z' };
    const server = fakeServer({
      ...answers(),
      'GET /saved-tickets': [{ ...wall, document: { ...ticketDocument, ppi: 240 } }],
      'POST /jobs/job/tickets': { ...ticket({ name: 'Wall prints' }), id: 'second' },
      'POST /saved-tickets': { ...wall, name: 'Prints 8 × 10', document: ticketDocument },
    });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: 'Save for other jobs' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.of('POST /saved-tickets')[0]?.body).toMatchObject({ name: 'Prints 8 × 10' }));
    fireEvent.click(await screen.findByRole('button', { name: '+ another ticket' }));
    fireEvent.click(await screen.findByText('saved: Wall prints'));
    await waitFor(() => expect(server.of('POST /jobs/job/tickets')[0]?.body).toMatchObject({ name: 'Wall prints', ppi: 240 }));
  });

  it('adds another ticket beside this one, with a folder of its own', async () => {
    const server = fakeServer({
      ...answers(),
      'POST /jobs/job/tickets': { ...ticket({ name: 'Prints 8 × 10 2' }), id: 'second' },
    });
    const router = openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: '+ another ticket' }));
    fireEvent.click(await screen.findByText('a copy of this one'));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/ticket/second'));
    expect(server.of('POST /jobs/job/tickets')[0]?.body).toMatchObject({ name: 'Prints 8 × 10 2', folder: 'prints-8x10-2' });
  });

  it('saves its size for other jobs, with all that belongs to it and nothing else', async () => {
    const server = fakeServer({ ...answers(), 'POST /kept': { id: 'lab', version: 0, kind: 'SIZE', name: '8 × 10 in' } });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: 'Save for other jobs' }));
    fireEvent.click(await screen.findByRole('radio', { name: /^its size/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.of('POST /kept')).toHaveLength(1));
    const { name, document } = server.of('POST /kept')[0]!.body as { name: string; document: object };
    expect(name).toBe('8 × 10 in');
    expect(document).toMatchObject({ kind: 'size', ppi: 300, file: { kind: 'jpeg' } });
    expect(document).not.toHaveProperty('folder');
  });

  it('lays a saved size over the ticket, takes it back and does it again', async () => {
    let version = 0;
    const server = fakeServer({
      ...answers(),
      'GET /kept': (request) =>
        new URL(request.url).searchParams.get('kind') === 'SIZE' ? [{ id: 'wall', version: 0, kind: 'SIZE', name: 'Wall' }] : [],
      'POST /kept/wall/lay-over': { ...ticketDocument, ppi: 120 },
      'PUT /tickets/ticket': async (request) => ({ ...ticket((await request.json()) as object), version: ++version }),
    });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: 'Use something saved' }));
    fireEvent.click(await screen.findByText('Wall'));
    await waitFor(() => expect(server.of('PUT /tickets/ticket')[0]?.body).toMatchObject({ ppi: 120 }));
    expect(await screen.findByText('Saved')).toBeTruthy();

    fireEvent.keyDown(document.body, { key: 'z', code: 'KeyZ', ctrlKey: true });
    await waitFor(() => expect(server.of('PUT /tickets/ticket')[1]?.body).toMatchObject({ ppi: 300 }));
    fireEvent.click(screen.getByRole('button', { name: 'Redo' }));
    await waitFor(() => expect(server.of('PUT /tickets/ticket')[2]?.body).toMatchObject({ ppi: 120 }));
  });

  it('says loudly what is not saved, and keeps it on the page', async () => {
    fakeServer({
      ...answers(),
      'GET /kept': (request) =>
        new URL(request.url).searchParams.get('kind') === 'SIZE' ? [{ id: 'wall', version: 0, kind: 'SIZE', name: 'Wall' }] : [],
      'POST /kept/wall/lay-over': { ...ticketDocument, ppi: 120 },
      'PUT /tickets/ticket': problem(422, 'invalid', 'ppi: expected more.', 'Correct it.'),
    });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: 'Use something saved' }));
    fireEvent.click(await screen.findByText('Wall'));
    expect(await screen.findByText(/Not saved/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /120 ppi/ })).toBeTruthy();
  });

  it('begins another ticket by a need that comes again and again', async () => {
    const server = fakeServer({
      ...answers(),
      'GET /ticket-beginnings': [{ ...ticketDocument, name: 'Screen set' }],
      'POST /jobs/job/tickets': { ...ticket({ name: 'Screen set' }), id: 'second' },
    });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: '+ another ticket' }));
    fireEvent.click(await screen.findByText('Screen set'));
    await waitFor(() => expect(server.of('POST /jobs/job/tickets')[0]?.body).toMatchObject({ name: 'Screen set' }));
  });

  it('says which pictures it cannot take, before a run', async () => {
    const refused = pictureEstimate('b', {
      verdict: null,
      problems: [{ code: 'too-small', subject: 'size', text: 'It has too few pixels.', remedy: 'Choose a smaller size.' }],
    });
    fakeServer({ ...answers(), 'POST /jobs/job/estimate': estimate(pictureEstimate('a'), refused) });
    openPage('/jobs/job/ticket');
    expect(await screen.findAllByText(/too few pixels/)).not.toHaveLength(0);
  });

  it('warns of a mark on prints, once for all', async () => {
    const notices = [{ code: 'mark-on-print', text: 'a mark is drawn over a print: marks are for screens' }];
    fakeServer({
      ...answers(),
      'POST /jobs/job/estimate': estimate(pictureEstimate('a', { notices }), pictureEstimate('b', { notices })),
    });
    openPage('/jobs/job/ticket');
    expect(await screen.findByText('◆ 2 pictures: a mark is drawn over a print: marks are for screens')).toBeTruthy();
  });

  it('starts a run and goes to it', async () => {
    const going = run({ state: 'RUNNING' });
    fakeServer({ ...answers(), 'POST /tickets/ticket/runs': going, 'GET /runs/run': { run: going, pieces: [] } });
    const router = openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: /^Run 2/ }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/run'));
  });

  it('runs only what changed, once the ticket has been run', async () => {
    const going = run({ state: 'RUNNING' });
    const server = fakeServer({
      ...answers(),
      'GET /jobs/job/runs': [run({ state: 'FINISHED' })],
      'POST /tickets/ticket/runs': going,
      'GET /runs/run': { run: going, pieces: [] },
    });
    openPage('/jobs/job/ticket');
    await screen.findByRole('button', { name: /^Run 2/ });
    fireEvent.click(await screen.findByRole('button', { name: 'Run only what changed' }));
    await waitFor(() => expect(server.of('POST /tickets/ticket/runs')[0]?.body).toEqual({ originalIds: null, changedOnly: true }));
  });

  it('runs several tickets at once, those that are on, in the order they have', async () => {
    const screenSet = { ...ticket({ name: 'Screen set', folder: 'screen' }), id: 'second' };
    const third = { ...ticket({ name: 'Proofs', folder: 'proofs' }), id: 'third', isOn: false };
    const going = run({ state: 'RUNNING' });
    const server = fakeServer({
      ...answers(),
      'GET /jobs/job/tickets': [ticket(), screenSet, third],
      'PUT /jobs/job/tickets': [screenSet, ticket(), third],
      'POST /jobs/job/runs': going,
      'GET /runs/run': { run: going, pieces: [] },
    });
    const router = openPage('/jobs/job/ticket');
    const list = await screen.findByRole('region', { name: 'Tickets of this job' });
    expect(within(list).getAllByRole('checkbox').map((box) => (box as HTMLInputElement).checked)).toEqual([true, true, false]);
    fireEvent.click(within(list).getByRole('button', { name: 'Put Screen set earlier' }));
    await waitFor(() =>
      expect(server.of('PUT /jobs/job/tickets')[0]?.body).toEqual([
        { ticketId: 'second', isOn: true },
        { ticketId: 'ticket', isOn: true },
        { ticketId: 'third', isOn: false },
      ]),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Run 2 tickets at once' }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/run'));
    expect(server.of('POST /jobs/job/runs')[0]?.body).toEqual({ ticketIds: expect.arrayContaining(['ticket', 'second']), originalIds: null, changedOnly: false });
  });

  it('tells when the order of the tickets was not kept', async () => {
    const second = { ...ticket({ name: 'Screen set' }), id: 'second' };
    const server = fakeServer({
      ...answers(),
      'GET /jobs/job/tickets': [ticket(), second],
      'PUT /jobs/job/tickets': problem(409, 'tickets-changed', 'One was added or deleted.', 'Look again.'),
    });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('checkbox', { name: 'Screen set' }));
    expect(await screen.findByText(/One was added or deleted/)).toBeTruthy();
    await waitFor(() => expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Screen set' }).checked).toBe(true));
    expect(server.of('PUT /jobs/job/tickets')).toHaveLength(1);
  });

  it('says why a run does not start', async () => {
    fakeServer({ ...answers(), 'POST /tickets/ticket/runs': problem(422, 'names', 'Two pieces would have one name.', 'Add a number to the names.') });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: /^Run 2/ }));
    expect(await screen.findByText('Two pieces would have one name. Add a number to the names.')).toBeTruthy();
  });
});
