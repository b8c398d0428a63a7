import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { App } from 'antd';
import { beforeEach, describe, expect, it, type Mock, vi } from 'vitest';
import { api } from '../../api/client';
import { JobName } from './JobName';


const named = (name: string) => ({ data: { id: 'j', name }, response: new Response() });

let put: Mock;
let get: Mock;

beforeEach(() => {
  put = vi.spyOn(api, 'PUT') as unknown as Mock;
  get = vi.spyOn(api, 'GET') as unknown as Mock;
  get.mockResolvedValue(named('Kite days'));
  render(
    <QueryClientProvider client={new QueryClient()}>
      <App>
        <JobName jobId="j" />
      </App>
    </QueryClientProvider>,
  );
});

const type = async (name: string, key: string) => {
  fireEvent.click(await screen.findByRole('button', { name: 'Kite days' }));
  const field = screen.getByLabelText('Name of the job');
  expect(document.activeElement).toBe(field);
  fireEvent.change(field, { target: { value: name } });
  fireEvent.keyDown(field, { key });
};

describe('the name of a job', () => {
  it('is kept with Enter', async () => {
    put.mockResolvedValue(named('Harbour days'));
    await type('  Harbour days ', 'Enter');
    await waitFor(() => expect(put).toHaveBeenCalledOnce());
    expect(put.mock.calls[0]![1].body).toEqual({ name: 'Harbour days' });
  });

  it('stays with Escape, and where nothing is typed', async () => {
    await type('Harbour days', 'Escape');
    expect(await screen.findByRole('button', { name: 'Kite days' })).toBeTruthy();
    await type('   ', 'Enter');
    expect(put).not.toHaveBeenCalled();
  });

  it('says why it was not changed', async () => {
    put.mockResolvedValue({
      error: { code: 'x', problems: [{ code: 'x', subject: 'name', text: 'Too long.', remedy: 'Shorten it.' }] },
      response: new Response(null, { status: 400 }),
    });
    await type('Harbour days', 'Enter');
    expect(await screen.findByText('The job was not renamed. Too long. Shorten it.')).toBeTruthy();
  });
});
