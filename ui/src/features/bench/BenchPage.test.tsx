import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeServer, never, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { giveRoom } from '../../testing/room';
import { broken, jobAnswers, original, plan } from '../../testing/samples';

const planned = { notices: [], problems: [], plan: plan() };
const answers = () => ({
  ...jobAnswers(original('a'), original('b'), broken('torn')),
  'POST /originals/a/plan': planned,
  'POST /originals/b/plan': planned,
  'POST /originals/a/crossings': { withinMillimetres: 0, crossings: [] },
  'POST /originals/b/crossings': { withinMillimetres: 0, crossings: [] },
});
/** As the server keeps an edit: each framing as it was sent, one version on. */
const kept = async (request: Request) => {
  const { framings } = (await request.json()) as { framings: { version: number }[] };
  return { framings: framings.map((one) => ({ ...one, version: one.version + 1 })), overrides: [], history: {} };
};

interface Edited {
  framings: { originalId: string; accepted: boolean; document: { centreX: number; quarterTurns: number; mirror: string } }[];
}

beforeEach(() => giveRoom(900, 600));

describe('the bench', () => {
  it('waits for the pictures', async () => {
    fakeServer({ ...answers(), 'GET /jobs/job/originals': never });
    openPage('/jobs/job/bench');
    expect(await screen.findByText(/the pictures/)).toBeTruthy();
  });

  it('without a picture that can be framed leads to the pile', async () => {
    fakeServer(jobAnswers(broken('torn')));
    const router = openPage('/jobs/job/bench');
    fireEvent.click(await screen.findByRole('button', { name: 'Go to the pile' }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/jobs/job/pile'));
  });

  it('tells what is wrong where a picture cannot be planned', async () => {
    fakeServer({ ...answers(), 'POST /originals/a/plan': problem(422, 'lost', 'Its file is no longer there.', 'Add it again.') });
    openPage('/jobs/job/bench');
    expect(await screen.findByText(/Its file is no longer there/)).toBeTruthy();
  });

  it('accepts with Enter and goes on; held down it accepts once', async () => {
    const server = fakeServer({ ...answers(), 'POST /jobs/job/edits': kept });
    const router = openPage('/jobs/job/bench');
    await screen.findByText(/2400/);
    fireEvent.keyDown(document.body, { key: 'Enter' });
    fireEvent.keyDown(document.body, { key: 'Enter', repeat: true });
    await waitFor(() => expect(server.of('POST /jobs/job/edits')).toHaveLength(1));
    const { framings } = server.of('POST /jobs/job/edits')[0]!.body as Edited;
    expect(framings).toMatchObject([{ originalId: 'a', accepted: true }]);
    await waitFor(() => expect(router.state.location.search).toContain('at=b'));
  });

  it('turns by B and mirrors by M, each an edit of its own', async () => {
    const server = fakeServer({ ...answers(), 'POST /jobs/job/edits': kept });
    openPage('/jobs/job/bench');
    await screen.findByText(/2400/);
    fireEvent.keyDown(document.body, { key: 'b' });
    fireEvent.keyDown(document.body, { key: 'm' });
    await waitFor(() => expect(server.of('POST /jobs/job/edits')).toHaveLength(2));
    const [turned, mirrored] = server.of('POST /jobs/job/edits').map(({ body }) => (body as Edited).framings[0]!.document);
    expect(turned!.quarterTurns).toBe(1);
    // The stored mirror comes before the turns: what is mirrored as it is seen turns the other way round.
    expect(mirrored).toMatchObject({ quarterTurns: 3, mirror: 'MIRRORED' });
  });

  it('makes one edit of an arrow that is held', async () => {
    const server = fakeServer({ ...answers(), 'POST /jobs/job/edits': kept });
    openPage('/jobs/job/bench');
    await screen.findByText(/2400/);
    for (let i = 0; i < 5; i++) fireEvent.keyDown(document.body, { key: 'ArrowLeft', repeat: i > 0 });
    await waitFor(() => expect(server.of('POST /jobs/job/edits')).toHaveLength(1));
    const { framings } = server.of('POST /jobs/job/edits')[0]!.body as Edited;
    expect(framings[0]!.document.centreX).not.toBe(0.5);
  });

  it('lists its keys', async () => {
    fakeServer(answers());
    openPage('/jobs/job/bench');
    await screen.findByText(/2400/);
    fireEvent.keyDown(document.body, { key: '?' });
    expect(await screen.findByText('Keys of the bench')).toBeTruthy();
  });
});
