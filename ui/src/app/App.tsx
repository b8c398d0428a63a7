import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App as AntApp, ConfigProvider } from 'antd';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { BenchPage } from '../features/bench';
import { DeliveryPage } from '../features/delivery';
import { IntakeProvider } from '../features/intake';
import { JobsPage } from '../features/jobs';
import { PilePage } from '../features/pile';
import { ShelfPage } from '../features/profiles';
import { ProofPage } from '../features/proof';
import { RunPage } from '../features/run';
import { JobShell, Page } from '../features/shell';
import { TicketPage } from '../features/ticket';
import { Problem } from '../api/problems';
import { theme } from './theme';

const queries = new QueryClient({
  defaultOptions: { queries: {
      staleTime: 2_000,
      // What the server has refused it will refuse again; only a server that is away is asked once more.
      retry: (times, error) => times < 1 && (!(error instanceof Problem) || error.status === 0 || error.status >= 500),
      refetchOnWindowFocus: true,
    } },
});

const router = createBrowserRouter([
  {
    element: <Page />,
    children: [
      { path: '/', element: <JobsPage /> },
      { path: '/profiles', element: <ShelfPage /> },
      {
        path: '/jobs/:jobId',
        element: <JobShell />,
        children: [
          { index: true, element: <Navigate to="pile" replace /> },
          { path: 'pile', element: <PilePage /> },
          { path: 'ticket', element: <TicketPage /> },
          { path: 'ticket/:ticketId', element: <TicketPage /> },
          { path: 'bench', element: <BenchPage /> },
          { path: 'proof', element: <ProofPage /> },
          { path: 'run', element: <RunPage /> },
          { path: 'run/:runId', element: <RunPage /> },
          { path: 'delivery', element: <DeliveryPage /> },
          { path: 'delivery/:runId', element: <DeliveryPage /> },
        ],
      },
    ],
  },
]);

export function App() {
  return (
    <ConfigProvider theme={theme} wave={{ disabled: true }}>
      <AntApp message={{ maxCount: 3 }}>
        <QueryClientProvider client={queries}>
          <IntakeProvider>
            <RouterProvider router={router} />
          </IntakeProvider>
        </QueryClientProvider>
      </AntApp>
    </ConfigProvider>
  );
}
