import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Popconfirm, Popover } from 'antd';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { day, time } from '../../shared/format';
import { NameField } from '../../shared/NameField';
import { Empty, Failed, Loading } from '../../shared/states';
import { savedTicketsQuery, type SavedTicket } from './queries';
import './savedtickets.css';

/** Tickets that are kept outside jobs: which there are, and which one new jobs begin with. */
export function SavedTicketsPage() {
  const saved = useQuery(savedTicketsQuery());
  const file = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; problem: Problem }[]>([]);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const add = useMutation({
    mutationFn: async (files: File[]) => {
      setRefused([]);
      for (const one of files) {
        // One that is refused does not keep the others out.
        try {
          const added = await answer(api.POST('/api/v1/saved-tickets/file', asItIs(one)));
          void message.success(`“${added.name}” was added.`);
        } catch (error) {
          setRefused((before) => [...before, { name: one.name, problem: Problem.from(error) }]);
        }
      }
    },
    onSettled: () => void queries.invalidateQueries({ queryKey: savedTicketsQuery().queryKey }),
  });
  if (saved.isPending) return <Loading what="the saved tickets" />;
  if (saved.isError) return <Failed error={saved.error} again={() => void saved.refetch()} />;
  return (
    <main className="shell-body saved">
      <div className="saved-head">
        <h1>Saved tickets</h1>
        <Button loading={add.isPending} onClick={() => file.current?.click()}>
          Add from a file
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          multiple
          accept=".json"
          aria-label="Ticket files"
          onChange={({ target }) => {
            if (target.files) add.mutate([...target.files]);
            target.value = '';
          }}
        />
      </div>
      {refused.map(({ name, problem }) => (
        <p key={name} className="saved-refused" role="alert">
          ■ {name}: {problem.message} {problem.remedy}
        </p>
      ))}
      {saved.data.length === 0 ? (
        <Empty title="No ticket is saved yet">Open the ticket of a job and choose “Save for other jobs”.</Empty>
      ) : (
        <ul className="card saved-list">
          {saved.data.map((ticket) => (
            <One key={ticket.id} ticket={ticket} />
          ))}
        </ul>
      )}
    </main>
  );
}

/** The server reads a file itself, and tells where it is no JSON. */
const asItIs = (file: File) => ({
  body: file as unknown as Schemas['TicketFileView'],
  bodySerializer: (body: unknown) => body as File,
});

function One({ ticket }: { ticket: SavedTicket }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const done = {
    onSettled: () => void queries.invalidateQueries({ queryKey: savedTicketsQuery().queryKey }),
    onError: (error: unknown) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
  };
  const path = { id: ticket.id };
  const rename = useMutation({
    mutationFn: (name: string) =>
      answer(
        api.PUT('/api/v1/saved-tickets/{id}', {
          params: { path, header: { 'If-Match': `"${ticket.version}"` } },
          body: { name, document: ticket.document },
        }),
      ),
    ...done,
  });
  const begin = useMutation({
    mutationFn: (forNewJobs: boolean) =>
      answer(api.PUT('/api/v1/saved-tickets/{id}/for-new-jobs', { params: { path }, body: { forNewJobs } })),
    ...done,
  });
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/saved-tickets/{id}', { params: { path } })),
    ...done,
  });
  return (
    <li className="saved-one">
      <div className="saved-words">
        <strong>{ticket.name}</strong>
        <span className="quiet">
          “{ticket.document.name}”, {ticket.document.ppi} ppi, into {ticket.document.folder}; saved {day(ticket.savedAt)}{' '}
          {time(ticket.savedAt)}
        </span>
      </div>
      <Checkbox checked={ticket.forNewJobs} disabled={begin.isPending} onChange={({ target }) => begin.mutate(target.checked)}>
        new jobs begin with it
      </Checkbox>
      <Popover
        trigger="click"
        content={<NameField label="name of this saved ticket" value={ticket.name} onKeep={(name) => rename.mutate(name)} />}
      >
        <Button type="text">Rename</Button>
      </Popover>
      <Button type="text" href={`/api/v1/saved-tickets/${ticket.id}/file`}>
        Download
      </Button>
      <Popconfirm
        title={`Delete “${ticket.name}”?`}
        description="Jobs that took it keep theirs."
        okText="Delete"
        cancelText="Cancel"
        onConfirm={() => remove.mutate()}
      >
        <Button type="text" loading={remove.isPending}>
          Delete
        </Button>
      </Popconfirm>
    </li>
  );
}
