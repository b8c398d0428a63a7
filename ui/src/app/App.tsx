import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App as AntApp, ConfigProvider } from 'antd';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { IntakeProvider } from '../features/intake';
import { Problem } from '../api/problems';
import { routes } from './routes';
import { stillTheme, theme } from './theme';
import { useReducedMotion } from './useReducedMotion';

const queries = new QueryClient({
  defaultOptions: { queries: {
      staleTime: 2_000,
      // What the server has refused it will refuse again; only a server that is away is asked once more.
      retry: (times, error) => times < 1 && (!(error instanceof Problem) || error.status === 0 || error.status >= 500),
      refetchOnWindowFocus: true,
    } },
});

const router = createBrowserRouter(routes);

export function App() {
  const isStill = useReducedMotion();
  return (
    <ConfigProvider theme={isStill ? stillTheme : theme} wave={{ disabled: true }}>
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
