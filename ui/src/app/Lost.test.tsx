import { render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Lost, NoSuchPage } from './Lost';

function open(error: unknown) {
  const router = createMemoryRouter([
    {
      path: '/',
      loader: () => {
        throw error;
      },
      element: <p>the page</p>,
      errorElement: <Lost />,
      hydrateFallbackElement: <p>coming</p>,
    },
    { path: '*', element: <NoSuchPage /> },
  ]);
  render(<RouterProvider router={router} />);
  return router;
}

describe('a page that cannot be drawn', () => {
  beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => undefined));
  afterEach(() => vi.restoreAllMocks());

  it('says what went wrong and how to go on', async () => {
    open(new Error('no plan'));
    expect(await screen.findByText('This page has met an error.')).toBeTruthy();
    expect(screen.getByText('no plan')).toBeTruthy();
    expect(screen.getByText('Load again')).toBeTruthy();
    expect(screen.getByText('All jobs').getAttribute('href')).toBe('/');
  });

  it('says of code that cannot be fetched that the server is away', async () => {
    open(new TypeError('Failed to fetch dynamically imported module'));
    expect(await screen.findByText('This page could not be fetched.')).toBeTruthy();
  });

  it('says so where there is no page', async () => {
    const router = open(new Error('x'));
    await router.navigate('/nowhere');
    expect(await screen.findByText('There is no page at this address.')).toBeTruthy();
  });
});
