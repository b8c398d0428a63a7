import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { App } from 'antd';
import { useEffect } from 'react';
import { beforeEach, describe, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import { announce, announced, neverCame } from './announced';
import { IntakeProvider } from './IntakeProvider';
import { NeverCame } from './NeverCame';
import { useIntake, type Intake } from './useIntake';
import type { ArrivingFile } from './walkDropped';


const files = (...names: string[]): ArrivingFile[] => names.map((name) => ({ path: name, file: new File(['x'], name) }));
const wants = (...missing: string[]) =>
  post.mockImplementation(async (path: string) =>
    path.endsWith('/intake')
      ? { data: { missing, unsure: [] }, response: new Response() }
      : { data: { id: 'new-job' }, response: new Response() },
  );
const arrives = (_: string, { params }: { params: { query: { path: string } } }) =>
  Promise.resolve({ data: { path: params.query.path }, response: new Response() });
const fails = () =>
  Promise.resolve({
    error: { code: 'no-room', detail: 'The disk is full.', problems: [] },
    response: new Response(null, { status: 507 }),
  });

let intake: Intake;
const hold = (now: Intake) => {
  intake = now;
};

function Page({ present }: { present: string[] }) {
  const now = useIntake();
  useEffect(() => hold(now));
  return (
    <>
      <output>{now.arriving ? `${now.arriving.done} of ${now.arriving.all}` : 'at rest'}</output>
      <NeverCame jobId="job" present={present} onChoose={() => undefined} />
    </>
  );
}

function open(present: string[] = []) {
  return render(
    <App>
      <QueryClientProvider client={new QueryClient()}>
        <IntakeProvider>
          <Page present={present} />
        </IntakeProvider>
      </QueryClientProvider>
    </App>,
  );
}

let post: Mock;
let put: Mock;

beforeEach(() => {
  post = vi.spyOn(api, 'POST') as unknown as Mock;
  put = vi.spyOn(api, 'PUT') as unknown as Mock;
  localStorage.clear();
});

describe('files that arrive', () => {
  it('are sent, counted, and forgotten once they are all there', async () => {
    wants('a.jpg', 'b.jpg');
    put.mockImplementation(arrives);
    open();
    await act(() => intake.add('job', files('a.jpg', 'b.jpg')));
    expect(put).toHaveBeenCalledTimes(2);
    expect(screen.getByText('at rest')).toBeTruthy();
    expect(announced('job')).toEqual([]);
  });

  it('of several folders are counted together, and warned of until the last has arrived', async () => {
    wants('a.jpg', 'b.jpg');
    const waiting: (() => void)[] = [];
    put.mockImplementation(
      (path: string, asked: { params: { query: { path: string } } }) =>
        new Promise((resolve) => waiting.push(() => resolve(arrives(path, asked)))),
    );
    open();
    const one = intake.add('job', files('a.jpg', 'b.jpg'));
    const other = intake.add('other', files('a.jpg', 'b.jpg'));
    expect(await screen.findByText('0 of 4')).toBeTruthy();
    await act(async () => {
      waiting.splice(0, 2).forEach((answerIt) => answerIt());
      await one;
    });
    expect(screen.getByText('0 of 2')).toBeTruthy();
    await act(async () => {
      waiting.forEach((answerIt) => answerIt());
      await other;
    });
    expect(screen.getByText('at rest')).toBeTruthy();
  });

  it('stop where the job was deleted', async () => {
    const names = Array.from({ length: 40 }, (_, i) => `${i}.jpg`);
    wants(...names);
    put.mockResolvedValue({
      error: { code: 'not-found', problems: [{ code: 'not-found', subject: 'job', text: 'The job is gone.', remedy: '' }] },
      response: new Response(null, { status: 404 }),
    });
    open();
    await act(() => intake.add('job', files(...names)));
    expect(put.mock.calls.length).toBeLessThan(10);
    expect(await screen.findByText('The job was deleted in another window')).toBeTruthy();
    expect(announced('job')).toEqual([]);
  });

  it('make a job of their folder’s name, or of its day where there is none', async () => {
    wants();
    open();
    await act(async () => expect(await intake.newJob('Saltmere', files('a.jpg'))).toBe('new-job'));
    expect(post.mock.calls[0]![1].body).toEqual({ name: 'Saltmere' });
    await screen.findByText('All of these pictures were added before.');
  });

  it('that fail are named with their remedy, and one button sends them again', async () => {
    wants('a.jpg', 'b.jpg');
    put.mockImplementation((path, wish) => (wish.params.query.path === 'b.jpg' ? fails() : arrives(path, wish)));
    open();
    await act(() => intake.add('job', files('a.jpg', 'b.jpg')));
    await screen.findByText('1 file did not arrive');
    expect(announced('job')).toEqual(['b.jpg']);
    wants('b.jpg');
    put.mockReset();
    put.mockImplementation(arrives);
    fireEvent.click(screen.getAllByRole('button', { name: /Send it again/ })[0]!);
    await waitFor(() => expect(put).toHaveBeenCalledOnce());
    await waitFor(() => expect(announced('job')).toEqual([]));
  });

  it('are asked for before the page is left while they are on their way', async () => {
    wants('a.jpg');
    let land!: () => void;
    put.mockImplementation((path, wish) => new Promise((resolve) => { land = () => resolve(arrives(path, wish)); }));
    open();
    const sending = intake.add('job', files('a.jpg'));
    await screen.findByText('0 of 1');
    const leaving = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(leaving);
    expect(leaving.defaultPrevented).toBe(true);
    await act(async () => {
      land();
      await sending;
    });
    const later = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(later);
    expect(later.defaultPrevented).toBe(false);
  });
});

describe('files that never came', () => {
  it('are listed at the next visit, but for those that are here', () => {
    announce('job', ['a.jpg', 'b.jpg', 'é.jpg'.normalize('NFD')]);
    expect(neverCame('job', ['a.jpg', 'é.jpg'.normalize('NFC')])).toEqual(['b.jpg']);
    open(['a.jpg', 'é.jpg']);
    expect(screen.getByText('1 file was to be added and did not arrive')).toBeTruthy();
    expect(screen.getByText(/^b\.jpg/)).toBeTruthy();
  });

  it('can be said to be not needed', () => {
    announce('job', ['a.jpg']);
    open();
    fireEvent.click(screen.getByRole('button', { name: 'They are not needed' }));
    expect(screen.queryByText(/did not arrive/)).toBeNull();
    expect(announced('job')).toEqual([]);
  });

  it('are of one job alone, and a spoilt store is no list', () => {
    announce('another', ['a.jpg']);
    localStorage.setItem('embrick.announced.job', '{"not": "a list"');
    expect(announced('job')).toEqual([]);
    open();
    expect(screen.queryByText(/did not arrive/)).toBeNull();
  });
});
