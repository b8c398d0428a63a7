import { Navigate, type RouteObject } from 'react-router';
import { Loading } from '../shared/states';
import { Desk } from '../features/desk';
import { Floor } from '../features/floor';
import { JobShell, Page } from '../features/shell';
import { Lost, NoSuchPage } from './Lost';

/** Each page comes with its own code, when it is first opened. */
export const routes: RouteObject[] = [
  {
    element: <Page />,
    errorElement: <Lost />,
    hydrateFallbackElement: <Loading what="the page" />,
    children: [
      {
        errorElement: <Lost />,
        children: [
          { path: '/', lazy: () => import('../features/jobs/page') },
          { path: '/disk', lazy: () => import('../features/diskuse/page') },
          // Where it was found before.
          { path: '/workers', element: <Navigate to="/floor" replace /> },
          {
            element: <Floor />,
            children: [
              {
                errorElement: <Lost />,
                children: [
                  { path: '/floor', lazy: () => import('../features/workers/page') },
                  { path: '/hot-folders', lazy: () => import('../features/hotfolders/page') },
                  { path: '/roll', lazy: () => import('../features/roll/page') },
                ],
              },
            ],
          },
          {
            element: <Desk />,
            children: [
              {
                errorElement: <Lost />,
                children: [
                  { path: '/desk', lazy: () => import('../features/desk/page') },
                  { path: '/desk/sizes', lazy: () => import('../features/desk/sizes') },
                  { path: '/desk/names', lazy: () => import('../features/desk/names') },
                  { path: '/desk/products', lazy: () => import('../features/desk/products') },
                  { path: '/saved-tickets', lazy: () => import('../features/savedtickets/page') },
                  { path: '/profiles', lazy: () => import('../features/profiles/page') },
                ],
              },
            ],
          },
          {
            path: '/jobs/:jobId',
            element: <JobShell />,
            children: [
              {
                errorElement: <Lost />,
                children: [
                  { index: true, element: <Navigate to="pile" replace /> },
                  { path: 'pile', lazy: () => import('../features/pile/page') },
                  { path: 'ticket/:ticketId?', lazy: () => import('../features/ticket/page') },
                  { path: 'bench', lazy: () => import('../features/bench/page') },
                  { path: 'proof', lazy: () => import('../features/proof/page') },
                  { path: 'run/:runId?', lazy: () => import('../features/run/page') },
                  { path: 'counter/:runId', lazy: () => import('../features/counter/page') },
                  { path: 'layout/:runId', lazy: () => import('../features/layout/page') },
                  { path: 'delivery/:runId?', lazy: () => import('../features/delivery/page') },
                ],
              },
            ],
          },
          { path: '*', element: <NoSuchPage /> },
        ],
      },
    ],
  },
];
