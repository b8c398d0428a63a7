import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Checkbox } from 'antd';
import { answer, api, type Schemas } from '../../api/client';
import { fileAsItIs } from '../../api/files';
import { Problem } from '../../api/problems';
import { day, time } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { ShelfOf } from '../kept';
import { savedTicketsQuery, type SavedTicket } from './queries';

/** Tickets that are kept outside jobs: which there are, and which one new jobs begin with. */
export function SavedTicketsPage() {
  const saved = useQuery(savedTicketsQuery());
  const queries = useQueryClient();
  if (saved.isPending) return <Loading what="the saved tickets" />;
  if (saved.isError) return <Failed error={saved.error} again={() => void saved.refetch()} />;
  return (
    <ShelfOf
      title="Saved tickets"
      called="saved ticket"
      empty={{ title: 'No ticket is saved yet', words: 'Open the ticket of a job and choose “Save for other jobs”.' }}
      deleting="Jobs that took it keep theirs."
      onChanged={() => void queries.invalidateQueries({ queryKey: savedTicketsQuery().queryKey })}
      add={(file) => answer(api.POST('/api/v1/saved-tickets/file', fileAsItIs<Schemas['TicketFileView']>(file)))}
      things={saved.data.map((ticket) => ({
        id: ticket.id,
        name: ticket.name,
        words: `“${ticket.document.name}”, ${ticket.document.ppi} ppi, into ${ticket.document.folder}; saved ${day(ticket.savedAt)} ${time(ticket.savedAt)}`,
        file: `/api/v1/saved-tickets/${ticket.id}/file`,
        more: <ForNewJobs ticket={ticket} />,
        rename: (name) =>
          answer(
            api.PUT('/api/v1/saved-tickets/{id}', {
              params: { path: { id: ticket.id }, header: { 'If-Match': `"${ticket.version}"` } },
              body: { name, document: ticket.document },
            }),
          ),
        copy: (name) => answer(api.POST('/api/v1/saved-tickets', { body: { name, document: ticket.document } })),
        remove: () => answer(api.DELETE('/api/v1/saved-tickets/{id}', { params: { path: { id: ticket.id } } })),
      }))}
    />
  );
}

function ForNewJobs({ ticket }: { ticket: SavedTicket }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const begin = useMutation({
    mutationFn: (forNewJobs: boolean) =>
      answer(
        api.PUT('/api/v1/saved-tickets/{id}/for-new-jobs', { params: { path: { id: ticket.id } }, body: { forNewJobs } }),
      ),
    onSettled: () => void queries.invalidateQueries({ queryKey: savedTicketsQuery().queryKey }),
    onError: (error: unknown) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
  });
  return (
    <Checkbox checked={ticket.forNewJobs} disabled={begin.isPending} onChange={({ target }) => begin.mutate(target.checked)}>
      new jobs begin with it
    </Checkbox>
  );
}
