import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { job, run } from '../../testing/samples';

describe('the jobs page', () => {
  it('says that it waits, and lets a folder be dropped meanwhile', async () => {
    fakeServer({ 'GET /jobs': never });
    openPage('/');
    expect(await screen.findByText(/the jobs/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Choose a folder' })).toBeTruthy();
  });

  it('without a job says how to begin one', async () => {
    fakeServer({ 'GET /jobs': [] });
    openPage('/');
    expect(await screen.findByText('No job yet')).toBeTruthy();
    expect(screen.getByText('Drop a folder of pictures above to make one.')).toBeTruthy();
  });

  it('tells why the jobs cannot be read, and asks again', async () => {
    const server = fakeServer({
      'GET /jobs': problem(503, 'database-away', 'The database does not answer.', 'Start it, then try again.'),
    });
    openPage('/');
    expect(await screen.findByText(/The database does not answer/)).toBeTruthy();
    server.now({ 'GET /jobs': [job()], 'GET /jobs/job/runs': [] });
    fireEvent.click(screen.getByRole('button', { name: /again/i }));
    expect(await screen.findByText('Kite days')).toBeTruthy();
    expect(await screen.findByText('not run yet')).toBeTruthy();
  });

  it('tells of each job how its last run went', async () => {
    fakeServer({
      'GET /jobs': [job({ pictures: 12, unusable: 2 })],
      'GET /jobs/job/runs': [run({ counts: { all: 10, checked: 8, failed: 2, making: 0, waiting: 0, stopped: 0 } })],
    });
    openPage('/');
    expect(await screen.findByText(/8 of 10 checked, 2 failed/)).toBeTruthy();
    expect(screen.getByText(/12 files, 2 unusable · 1 ticket/)).toBeTruthy();
  });

  it('deletes a job once that was confirmed, and says what is deleted', async () => {
    const server = fakeServer({ 'GET /jobs': [job()], 'GET /jobs/job/runs': [], 'DELETE /jobs/job': new Response(null, { status: 204 }) });
    openPage('/');
    fireEvent.click(await screen.findByRole('button', { name: 'Delete Kite days' }));
    expect(await screen.findByText(/Delivered files stay/)).toBeTruthy();
    expect(server.of('DELETE /jobs/job')).toHaveLength(0);
    server.now({ 'GET /jobs': [] });
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    await waitFor(() => expect(server.of('DELETE /jobs/job')).toHaveLength(1));
    expect(await screen.findByText('No job yet')).toBeTruthy();
  });

  it('says why a job was not deleted, and keeps it', async () => {
    fakeServer({
      'GET /jobs': [job()],
      'GET /jobs/job/runs': [],
      'DELETE /jobs/job': problem(409, 'run-going', 'A run of this job is going on.', 'Stop it first.'),
    });
    openPage('/');
    fireEvent.click(await screen.findByRole('button', { name: 'Delete Kite days' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Delete' }));
    expect(await screen.findByText(/A run of this job is going on/)).toBeTruthy();
    expect(screen.getByText('Kite days')).toBeTruthy();
  });
});
