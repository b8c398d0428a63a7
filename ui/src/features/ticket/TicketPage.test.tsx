import { fireEvent, screen, waitFor } from '@testing-library/react';
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
    expect(server.of('POST /jobs/job/tickets')[0]?.body).toMatchObject({ name: 'Prints 8 × 10 2', folder: 'prints-8x10-b' });
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

  it('starts a run and goes to it', async () => {
    const going = run({ state: 'RUNNING' });
    fakeServer({ ...answers(), 'POST /tickets/ticket/runs': going, 'GET /runs/run': { run: going, pieces: [] } });
    const router = openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: /^Run 2/ }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/run/run'));
  });

  it('says why a run does not start', async () => {
    fakeServer({ ...answers(), 'POST /tickets/ticket/runs': problem(422, 'names', 'Two pieces would have one name.', 'Add a number to the names.') });
    openPage('/jobs/job/ticket');
    fireEvent.click(await screen.findByRole('button', { name: /^Run 2/ }));
    expect(await screen.findByText('Two pieces would have one name. Add a number to the names.')).toBeTruthy();
  });
});
