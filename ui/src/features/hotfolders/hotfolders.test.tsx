import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { ticketDocument } from '../../testing/samples';
import type { HotFile, HotFolder } from './queries';

const saved = {
  id: 'prints',
  version: 0,
  name: 'Counter prints',
  forNewJobs: false,
  savedAt: '2026-11-20T09:00:00Z',
  document: ticketDocument,
};

const file = (path: string, more: Partial<HotFile> = {}): HotFile => ({
  id: path,
  path,
  fate: 'PRINTED',
  seenAt: '2026-11-30T10:00:00Z',
  settledAt: '2026-11-30T10:01:00Z',
  jobId: 'job',
  runId: 'run',
  problem: null,
  movedTo: `done/${path}`,
  ...more,
});

const folder = (more: Partial<HotFolder> = {}): HotFolder => ({
  id: 'hot',
  name: 'Front counter',
  root: 'folders',
  path: 'in',
  savedTicketId: 'prints',
  target: { kind: 'DELIVERIES', root: null, path: null },
  isOn: true,
  trouble: null,
  counts: { waiting: 0, printed: 0, failed: 0 },
  files: [],
  ...more,
});

describe('hot folders', () => {
  it('are explained where there is none', async () => {
    fakeServer({ 'GET /hot-folders': [] });
    openPage('/hot-folders');
    expect(await screen.findByText('No hot folder yet')).toBeTruthy();
    expect(screen.getByText(/moved into its subfolder “done”/)).toBeTruthy();
  });

  it('tell what became of each file, and why one failed', async () => {
    fakeServer({
      'GET /hot-folders': [
        folder({
          counts: { waiting: 0, printed: 1, failed: 1 },
          files: [
            file('torn.jpg', { fate: 'FAILED', runId: null, problem: 'torn.jpg ends in the middle.', movedTo: 'failed/torn.jpg' }),
            file('kite.jpg'),
          ],
        }),
      ],
      'GET /saved-tickets': [saved],
    });
    openPage('/hot-folders');
    const one = await screen.findByRole('region', { name: 'Front counter' });
    expect(await within(one).findByText('“Counter prints”')).toBeTruthy();
    expect(within(one).getByText('torn.jpg ends in the middle.')).toBeTruthy();
    expect(within(one).getByRole('link', { name: 'its delivery' }).getAttribute('href')).toBe('/jobs/job/delivery/run');
  });

  it('say what is in the way, and why one cannot be deleted', async () => {
    fakeServer({
      'GET /hot-folders': [folder({ trouble: 'It is no longer there. It goes on when it is back.' })],
      'GET /saved-tickets': [saved],
      'DELETE /hot-folders/hot': problem(409, 'files-at-work', 'Files of this hot folder are being printed.', 'Switch it off first.'),
    });
    openPage('/hot-folders');
    expect((await screen.findByRole('alert')).textContent).toContain('It is no longer there');
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    const all = await screen.findAllByRole('button', { name: 'Delete' });
    fireEvent.click(all[all.length - 1]!);
    expect(await screen.findByText(/are being printed/)).toBeTruthy();
  });

  it('are switched off', async () => {
    const server = fakeServer({ 'GET /hot-folders': [folder()], 'GET /saved-tickets': [saved], 'PUT /hot-folders/hot': folder() });
    openPage('/hot-folders');
    fireEvent.click(await screen.findByRole('switch', { name: 'Front counter takes files' }));
    await waitFor(() => expect(server.of('PUT /hot-folders/hot')[0]?.body).toMatchObject({ isOn: false, savedTicketId: 'prints' }));
  });

  it('are added with a folder and a saved ticket', async () => {
    const server = fakeServer({
      'GET /hot-folders': [],
      'GET /saved-tickets': [saved],
      'GET /roots': [{ name: 'folders', place: '/srv', isThere: true }],
      'GET /roots/folders/folder': { path: 'in', folders: [], files: 0, bytes: 0 },
      'POST /hot-folders': folder(),
    });
    openPage('/hot-folders');
    fireEvent.click(await screen.findByRole('button', { name: 'Add a hot folder' }));
    expect(screen.getByRole('button', { name: 'Add' }).hasAttribute('disabled')).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Choose' }));
    fireEvent.click(await screen.findByRole('button', { name: /^folders/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take “in”' }));
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Saved ticket' }));
    fireEvent.click(await screen.findByText('Counter prints'));
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() =>
      expect(server.of('POST /hot-folders')[0]?.body).toMatchObject({
        root: 'folders',
        path: 'in',
        settings: { name: 'in', savedTicketId: 'prints', isOn: true },
      }),
    );
  });
});
