import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { job, jobAnswers, original } from '../../testing/samples';
import { targetWords } from './TargetChoice';

const labs = { name: 'labs', place: '/srv/labs', isThere: true };

describe('where deliveries go', () => {
  it('is said in the sentence of the pile, and chosen there', async () => {
    const server = fakeServer({
      ...jobAnswers(original('kite')),
      'GET /roots': [labs],
      'GET /roots/labs/folder': { path: '', folders: [], files: 0, bytes: 0 },
      'PUT /jobs/job/target': job(),
    });
    openPage('/jobs/job/pile');
    fireEvent.click(await screen.findByRole('button', { name: 'Deliver to: Embrick’s deliveries' }));
    expect(await screen.findByText(/these were copied here and have none/)).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'another folder of the server' }));
    fireEvent.click(await screen.findByRole('button', { name: /labs/ }));
    server.now({ 'GET /jobs/job': job({ target: { kind: 'FOLDER', root: 'labs', path: '' } }) });
    fireEvent.click(await screen.findByRole('button', { name: 'Deliver to this folder' }));
    await waitFor(() =>
      expect(server.of('PUT /jobs/job/target')[0]?.body).toEqual({ kind: 'FOLDER', root: 'labs', path: '' }),
    );
    expect(await screen.findByRole('button', { name: 'Deliver to: labs' })).toBeTruthy();
  });

  it('stays as it was where a folder cannot be used, and says why', async () => {
    fakeServer({
      ...jobAnswers(original('kite')),
      'GET /jobs/job': job({ target: { kind: 'BESIDE_ORIGINALS', root: null, path: null } }),
      'PUT /jobs/job/target': problem(422, 'target-unfit', 'Nothing can be delivered there.', 'Choose another folder.'),
    });
    openPage('/jobs/job/pile');
    fireEvent.click(await screen.findByRole('button', { name: 'Deliver to: the originals’ own folder' }));
    fireEvent.click(await screen.findByRole('radio', { name: /Embrick’s deliveries/ }));
    expect(await screen.findByText('Nothing can be delivered there.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Deliver to: the originals’ own folder' })).toBeTruthy();
  });

  it('is said by the folder’s own names', () => {
    expect(targetWords({ kind: 'FOLDER', root: 'labs', path: 'week 12/out' })).toBe('labs / week 12 / out');
  });
});
