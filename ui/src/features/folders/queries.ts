import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type Folder = Schemas['FolderView'];

/** How often a folder is looked at: while its files come in, and while a page shows it. */
const WHILE_COMING_IN = 1000;
const WHILE_SHOWN = 10_000;

export const rootsQuery = () =>
  queryOptions({ queryKey: ['roots'], queryFn: () => answer(api.GET('/api/v1/roots')), staleTime: 10_000 });

export const listingQuery = (root: string, below: string) =>
  queryOptions({
    queryKey: ['roots', root, below],
    queryFn: () =>
      answer(api.GET('/api/v1/roots/{root}/folder', { params: { path: { root }, query: { below } } })),
    staleTime: 5000,
    retry: false,
  });

export const foldersQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['folders', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/folders', { params: { path: { jobId } } })),
    refetchInterval: ({ state }) => {
      if (state.data?.length === 0) return false;
      return state.data?.some(({ intake, looked }) => intake || !looked) ? WHILE_COMING_IN : WHILE_SHOWN;
    },
  });

/** Opens a folder for a job; its pictures come in by themselves. */
export const openFolder = (jobId: string, root: string, path: string) =>
  answer(api.POST('/api/v1/jobs/{jobId}/folders', { params: { path: { jobId } }, body: { root, path } }));

/** A folder as people say it: the root's name, then what lies below it. */
export const placeWords = (root: string, path: string) => (path === '' ? root : `${root} / ${path.split('/').join(' / ')}`);

/** The last name of a folder's path. */
export const lastName = (root: string, path: string) => path.split('/').at(-1) || root;
