import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { giveRoom } from '../../testing/room';
import { job, jobAnswers, original } from '../../testing/samples';
import type { Schemas } from '../../api/client';

beforeEach(() => giveRoom());

const folder = (more: Partial<Schemas['FolderView']> = {}): Schemas['FolderView'] => ({
  id: 'folder',
  root: 'scans',
  path: 'week 12',
  looked: true,
  away: null,
  fresh: 0,
  freshNames: [],
  changed: [],
  vanished: [],
  unread: [],
  isCut: false,
  intake: null,
  refused: [],
  ...more,
});

const scans = { name: 'scans', place: '/srv/scans', isThere: true };
const within = (path: string, folders: string[], files = 0) => ({ path, folders, files, bytes: files * 1000 });

describe('folders on the server', () => {
  it('are walked through, and the one that is looked at becomes a job', async () => {
    let below: string | null = '';
    const server = fakeServer({
      ...jobAnswers(),
      'GET /roots': [scans],
      'GET /roots/scans/folder': (request: Request) => {
        below = new URL(request.url).searchParams.get('below');
        return below ? within('week 12', [], 4) : within('', ['week 12']);
      },
      'POST /jobs': job(),
      'POST /jobs/job/folders': folder({ intake: { files: 4, done: 1, bytes: 4e6, readBytes: 1e6 } }),
    });
    openPage('/');
    fireEvent.click(await screen.findByRole('button', { name: 'Or open a folder that lies on the server' }));
    fireEvent.click(await screen.findByRole('button', { name: /scans/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'week 12' }));
    expect(await screen.findByText(/4 files in the folder itself/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Make a job of “week 12”' }));
    await waitFor(() => expect(server.of('POST /jobs/job/folders')[0]?.body).toEqual({ root: 'scans', path: 'week 12' }));
    expect(server.of('POST /jobs')[0]?.body).toEqual({ name: 'week 12' });
  });

  it('say who allows one where none is allowed', async () => {
    fakeServer({ 'GET /jobs': [], 'GET /roots': [] });
    openPage('/');
    fireEvent.click(await screen.findByRole('button', { name: 'Or open a folder that lies on the server' }));
    expect(await screen.findByText(/EMBRICK_ROOTS/)).toBeTruthy();
  });

  it('tell why one cannot be opened, and leave no empty job behind', async () => {
    const server = fakeServer({
      'GET /jobs': [],
      'GET /roots': [scans],
      'GET /roots/scans/folder': within('', []),
      'POST /jobs': job(),
      'POST /jobs/job/folders': problem(409, 'folder-away', 'The folder “scans” is not there.', 'See that its disk is there.'),
      'DELETE /jobs/job': new Response(null, { status: 204 }),
    });
    openPage('/');
    fireEvent.click(await screen.findByRole('button', { name: 'Or open a folder that lies on the server' }));
    fireEvent.click(await screen.findByRole('button', { name: /scans/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'Make a job of all of it' }));
    expect(await screen.findByText(/is not there/)).toBeTruthy();
    await waitFor(() => expect(server.of('DELETE /jobs/job')).toHaveLength(1));
  });

  it('offer what is new in them and tell on the pile what was changed', async () => {
    const server = fakeServer({
      ...jobAnswers(original('kite')),
      'GET /jobs/job/folders': [folder({ fresh: 2, freshNames: ['a.jpg', 'b.jpg'], changed: ['kite'] })],
      'POST /folders/folder/intake': folder(),
    });
    openPage('/jobs/job/pile');
    expect(await screen.findByText('2 files are not in the job: a.jpg, b.jpg.')).toBeTruthy();
    expect(await screen.findByText(/file changed: not printed/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take the 2 in' }));
    await waitFor(() => expect(server.of('POST /folders/folder/intake')[0]?.body).toEqual({ changed: false }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take the changed file as it is now' }));
    await waitFor(() => expect(server.of('POST /folders/folder/intake')[1]?.body).toEqual({ changed: true }));
  });

  it('show how far taking in is', async () => {
    const server = fakeServer({
      ...jobAnswers(),
      'GET /jobs/job/folders': [folder({ intake: { files: 200, done: 50, bytes: 4e9, readBytes: 1e9 } })],
      'DELETE /folders/folder/intake': folder(),
    });
    openPage('/jobs/job/pile');
    expect(await screen.findByText(/50 of 200 files/)).toBeTruthy();
    expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25');
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    await waitFor(() => expect(server.of('DELETE /folders/folder/intake')).toHaveLength(1));
  });

  it('show a large file by its bytes', async () => {
    fakeServer({
      ...jobAnswers(),
      'GET /jobs/job/folders': [folder({ intake: { files: 2, done: 0, bytes: 8e9, readBytes: 4e9 } })],
    });
    openPage('/jobs/job/pile');
    expect(await screen.findByText(/0 of 2 files/)).toBeTruthy();
    expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('45');
  });
});
