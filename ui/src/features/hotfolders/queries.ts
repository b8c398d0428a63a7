import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type HotFolder = Schemas['HotFolderView'];
export type HotFile = Schemas['HotFileView'];
export type Settings = Schemas['HotFolderSettings'];

const WHILE_SHOWN = 2000;

export const hotFoldersQuery = () =>
  queryOptions({
    queryKey: ['hot-folders'],
    queryFn: () => answer(api.GET('/api/v1/hot-folders')),
    refetchInterval: WHILE_SHOWN,
  });

export const settingsOf = ({ name, savedTicketId, target, isOn }: HotFolder): Settings => ({
  name,
  // The server refuses a change without a ticket, and says so.
  savedTicketId: savedTicketId ?? '',
  target,
  isOn,
});
