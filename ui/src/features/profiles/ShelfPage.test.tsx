import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { profile } from '../../testing/samples';

const lustre = profile({ digest: 'l', title: 'Lustre paper', model: 'CMYK', purpose: 'OUTPUT', origin: 'IMPORTED' });
const gamut = { chromaticities: [], slices: [], tones: [] };
const shelf = { 'GET /profiles': [profile(), lustre], 'GET /profiles/s/gamut': gamut, 'GET /profiles/l/gamut': gamut };

describe('the profile shelf', () => {
  it('waits for the profiles', async () => {
    fakeServer({ 'GET /profiles': never });
    openPage('/profiles');
    expect(await screen.findByText(/the profiles/)).toBeTruthy();
  });

  it('tells why it cannot be read', async () => {
    fakeServer({ 'GET /profiles': problem(503, 'database-away', 'The database does not answer.', 'Start it.') });
    openPage('/profiles');
    expect(await screen.findByText(/The database does not answer/)).toBeTruthy();
  });

  it('shows one profile with its facts, and another when it is chosen', async () => {
    fakeServer(shelf);
    openPage('/profiles');
    const list = await screen.findByRole('navigation', { name: 'Profiles' });
    fireEvent.click(within(list).getByRole('button', { name: /Lustre paper/ }));
    expect(await screen.findByRole('heading', { name: 'Lustre paper' })).toBeTruthy();
  });

  it('takes each profile that is one, and names each file that is not, with the remedy', async () => {
    let sent = 0;
    const server = fakeServer({
      ...shelf,
      'POST /profiles': () =>
        ++sent === 1
          ? problem(422, 'no-profile', 'is no ICC profile.', 'Choose a file that ends in .icc.')
          : lustre,
    });
    openPage('/profiles');
    const field = await screen.findByLabelText('Profile files');
    fireEvent.change(field, { target: { files: [new File(['x'], 'notes.txt'), new File(['y'], 'lustre.icc')] } });
    expect(await screen.findByText('■ notes.txt: is no ICC profile. Choose a file that ends in .icc.')).toBeTruthy();
    expect(await screen.findByText('“Lustre paper” was added.')).toBeTruthy();
    await waitFor(() => expect(server.of('POST /profiles')).toHaveLength(2));
  });
});
