import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import { App } from 'antd';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { routes } from '../app/routes';
import { IntakeProvider } from '../features/intake';

/** Opens the whole application at an address, as a browser would; gives the router, to see where it has gone. */
export function openPage(address: string) {
  const router = createMemoryRouter(routes, { initialEntries: [address] });
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  render(
    <App>
      <QueryClientProvider client={queries}>
        <IntakeProvider>
          <RouterProvider router={router} />
        </IntakeProvider>
      </QueryClientProvider>
    </App>,
  );
  return router;
}
