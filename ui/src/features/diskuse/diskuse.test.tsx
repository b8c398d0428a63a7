import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { job, run } from '../../testing/samples';

const use = {
  freeBytes: 5e9,
  originals: 36,
  originalBytes: 1.5e9,
  deliveries: 100,
  deliveryBytes: 3e8,
  elsewhere: 0,
  elsewhereBytes: 0,
};

const answers = () => ({
  'GET /disk-use': use,
  'GET /jobs': [job()],
  'GET /runs/kept': [run({ id: 'old', fileBytes: 2e8 }), run({ id: 'older', fileBytes: 1e8, folder: 'Kite days/canvas' })],
});

beforeEach(() => localStorage.clear());

describe('disk use', () => {
  it('tells what takes room', async () => {
    fakeServer(answers());
    openPage('/disk');
    expect(await screen.findByText('36 originals')).toBeTruthy();
    expect(screen.getByText('100 delivered files')).toBeTruthy();
    expect(screen.queryByText(/in other folders/)).toBeNull();
  });

  it('clears only what was chosen, after a question', async () => {
    const server = fakeServer({ ...answers(), 'POST /runs/clear': { runs: 1, refused: [] } });
    openPage('/disk');
    const box = await screen.findByRole('checkbox', { name: /canvas of/ });
    expect(screen.getByRole('button', { name: 'Clear' }).hasAttribute('disabled')).toBe(true);
    fireEvent.click(box);
    fireEvent.click(screen.getByRole('button', { name: /^Clear 1 delivery/ }));
    expect(server.of('POST /runs/clear')).toHaveLength(0);
    fireEvent.click(within(await screen.findByRole('tooltip')).getByRole('button', { name: 'Clear' }));
    await waitFor(() => expect(server.of('POST /runs/clear')[0]?.body).toEqual({ runIds: ['older'] }));
    expect(await screen.findByText('1 delivery cleared.')).toBeTruthy();
  });

  it('says which were not cleared, and why', async () => {
    fakeServer({
      ...answers(),
      'POST /runs/clear': { runs: 1, refused: [{ code: 'run-at-work', subject: 'old', text: 'This run is at work.', remedy: 'Stop it.' }] },
    });
    openPage('/disk');
    fireEvent.click(await screen.findByRole('checkbox', { name: 'All of them' }));
    fireEvent.click(screen.getByRole('button', { name: /^Clear 2 deliveries/ }));
    fireEvent.click(within(await screen.findByRole('tooltip')).getByRole('button', { name: 'Clear' }));
    expect(await screen.findByText('1 delivery not cleared. This run is at work. Stop it.')).toBeTruthy();
  });

  it('says when none is old enough', async () => {
    fakeServer({ ...answers(), 'GET /runs/kept': [] });
    openPage('/disk');
    expect(await screen.findByText('No delivery this old still has files.')).toBeTruthy();
  });
});
