import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { ticketDocument } from '../../testing/samples';

const wall: Schemas['SavedTicketView'] = {
  id: 'wall',
  version: 3,
  name: 'Wall prints',
  forNewJobs: false,
  savedAt: '2026-11-20T09:00:00Z',
  document: ticketDocument,
};

describe('the saved tickets', () => {
  it('waits for them', async () => {
    fakeServer({ 'GET /saved-tickets': never });
    openPage('/saved-tickets');
    expect(await screen.findByText(/the saved tickets/)).toBeTruthy();
  });

  it('tells why they cannot be read', async () => {
    fakeServer({ 'GET /saved-tickets': problem(503, 'database-away', 'The database does not answer.', 'Start it.') });
    openPage('/saved-tickets');
    expect(await screen.findByText(/The database does not answer/)).toBeTruthy();
  });

  it('says how one is saved where there is none', async () => {
    fakeServer({ 'GET /saved-tickets': [] });
    openPage('/saved-tickets');
    expect(await screen.findByText(/Save for other jobs/)).toBeTruthy();
  });

  it('lets new jobs begin with one, under the version that was seen', async () => {
    const server = fakeServer({
      'GET /saved-tickets': [wall],
      'PUT /saved-tickets/wall/for-new-jobs': { ...wall, forNewJobs: true },
      'PUT /saved-tickets/wall': { ...wall, name: 'Large prints' },
    });
    openPage('/saved-tickets');
    fireEvent.click(await screen.findByRole('checkbox', { name: 'new jobs begin with it' }));
    await waitFor(() => expect(server.of('PUT /saved-tickets/wall/for-new-jobs')[0]?.body).toEqual({ forNewJobs: true }));
    fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
    fireEvent.change(await screen.findByLabelText('name of this saved ticket'), { target: { value: 'Large prints' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.of('PUT /saved-tickets/wall')[0]?.body).toMatchObject({ name: 'Large prints' }));
  });

  it('copies one under another name, and tells where that is taken', async () => {
    const server = fakeServer({
      'GET /saved-tickets': [wall],
      'POST /saved-tickets': problem(409, 'name-taken', 'There is a saved ticket “Wall prints 2” already.', 'Choose another name.'),
    });
    openPage('/saved-tickets');
    fireEvent.click(await screen.findByRole('button', { name: 'Copy' }));
    expect((await screen.findByLabelText<HTMLInputElement>('name of the copy')).value).toBe('Wall prints 2');
    const [, confirm] = screen.getAllByRole('button', { name: 'Copy' });
    fireEvent.click(confirm!);
    expect(await screen.findByText(/There is a saved ticket “Wall prints 2” already/)).toBeTruthy();
    expect(server.of('POST /saved-tickets')[0]?.body).toMatchObject({ name: 'Wall prints 2' });
  });

  it('takes each file that is one, and names each that is not', async () => {
    let sent = 0;
    fakeServer({
      'GET /saved-tickets': [wall],
      'POST /saved-tickets/file': () =>
        ++sent === 1 ? problem(422, 'newer-version', 'A newer Embrick wrote this ticket.', 'Bring this one up to date.') : wall,
    });
    openPage('/saved-tickets');
    const files = [new File(['{}'], 'new.json'), new File(['{}'], 'wall.json')];
    fireEvent.change(await screen.findByLabelText('Files of a saved ticket'), { target: { files } });
    expect(await screen.findByText('■ new.json: A newer Embrick wrote this ticket. Bring this one up to date.')).toBeTruthy();
    expect(await screen.findByText('“Wall prints” was added.')).toBeTruthy();
  });
});
