import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App } from 'antd';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { fakeServer, problem } from '../../testing/fakeServer';
import { original, ticket, ticketDocument } from '../../testing/samples';
import { ProductsDrawer } from './ProductsDrawer';

const product = (keptId: string, name: string, served: string[], failing: string[]): Schemas['ProductView'] => ({
  keptId,
  name,
  rule: {
    kind: 'product',
    schemaVersion: 1,
    unit: 'CM',
    width: { value: 20, unit: 'CM' },
    height: { value: 20, unit: 'CM' },
    bleed: { value: 3, unit: 'MM' },
    safe: { value: 0, unit: 'MM' },
    ppi: 300,
    leastPpi: 120,
    colour: null,
    files: ['JPEG'],
    mostBytes: null,
  },
  pictures: [
    ...served.map((originalId) => ({ originalId, bestPpi: 400, problem: null })),
    ...failing.map((originalId) => ({
      originalId,
      bestPpi: 88,
      problem: { code: 'too-few-pixels', subject: 'picture', text: 'too small', remedy: 'Send a larger one.' },
    })),
  ] as Schemas['ProductView']['pictures'],
});

function open() {
  const router = createMemoryRouter(
    [
      { path: '/', element: <ProductsDrawer jobId="job" originals={[original('a'), original('b')]} onClose={() => undefined} /> },
      { path: '/jobs/job/ticket/:id', element: <p>the new ticket</p> },
    ],
    { initialEntries: ['/'] },
  );
  render(
    <App>
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </App>,
  );
}

describe('the products of a pile', () => {
  it('says for each which pictures can serve, and of the others how many ppi they have at best', async () => {
    fakeServer({
      'GET /jobs/job/products': [product('tile', 'Tile', ['a'], ['b']), product('flag', 'Flag', [], ['a', 'b'])],
      'GET /jobs/job/tickets': [ticket()],
    });
    open();
    const tile = within(await screen.findByRole('region', { name: 'Tile' }));
    expect(tile.getByText(/1 of 2 pictures can serve/)).toBeTruthy();
    expect(tile.getByText('b.jpg: 88 ppi at best')).toBeTruthy();
    const flag = within(screen.getByRole('region', { name: 'Flag' }));
    expect(flag.getByText(/0 of 2 pictures can serve/)).toBeTruthy();
    expect(flag.getByRole<HTMLButtonElement>('button').disabled).toBe(true);
  });

  it('makes a ticket of the present one with the rule laid over it, and opens it', async () => {
    const laid = { ...ticketDocument, ppi: 250 };
    const server = fakeServer({
      'GET /jobs/job/products': [product('tile', 'Tile & grout', ['a', 'b'], [])],
      'GET /jobs/job/tickets': [ticket()],
      'POST /kept/tile/lay-over': laid,
      'POST /jobs/job/tickets': { ...ticket(), id: 'made' },
    });
    open();
    const make = await screen.findByRole<HTMLButtonElement>('button', { name: 'Make a ticket for it' });
    await waitFor(() => expect(make.disabled).toBe(false));
    fireEvent.click(make);
    expect(await screen.findByText('the new ticket')).toBeTruthy();
    expect(server.of('POST /kept/tile/lay-over')[0]!.body).toEqual(ticketDocument);
    expect(server.of('POST /jobs/job/tickets')[0]!.body).toEqual({ ...laid, name: 'Tile & grout', folder: 'tile-grout' });
  });

  it('tells why no ticket could be made', async () => {
    fakeServer({
      'GET /jobs/job/products': [product('tile', 'Tile', ['a', 'b'], [])],
      'GET /jobs/job/tickets': [ticket()],
      'POST /kept/tile/lay-over': problem(404, 'not-found', 'The rule was deleted.', 'Load the page again.'),
    });
    open();
    const make = await screen.findByRole<HTMLButtonElement>('button', { name: 'Make a ticket for it' });
    await waitFor(() => expect(make.disabled).toBe(false));
    fireEvent.click(make);
    expect(await screen.findByText(/The rule was deleted/)).toBeTruthy();
  });

  it('without any rule leads to the desk', async () => {
    fakeServer({ 'GET /jobs/job/products': [], 'GET /jobs/job/tickets': [ticket()] });
    open();
    expect(await screen.findByText('There is no product rule')).toBeTruthy();
  });
});
