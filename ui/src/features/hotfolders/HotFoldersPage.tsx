import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Popconfirm, Switch } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, time } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { placeWords } from '../folders';
import { useSavedTickets } from '../savedtickets';
import { targetWords } from '../targets';
import { HotFolderDrawer } from './HotFolderDrawer';
import { hotFoldersQuery, settingsOf, type HotFile, type HotFolder } from './queries';
import './hotfolders.css';

/** Folders that print what is dropped into them: what each is doing, and what became of its last day's files. */
export function HotFoldersPage() {
  const folders = useQuery(hotFoldersQuery());
  const [edited, setEdited] = useState<HotFolder | 'new'>();
  return (
    <main className="shell-body hot">
      <div className="hot-head">
        <h1>Hot folders</h1>
        <Button type="primary" onClick={() => setEdited('new')}>
          Add a hot folder
        </Button>
      </div>
      {folders.isPending && <Loading what="the hot folders" />}
      {folders.isError && <Failed error={folders.error} again={() => void folders.refetch()} />}
      {folders.data?.length === 0 && (
        <Empty title="No hot folder yet">
          <p className="quiet">
            A hot folder is a folder on the server. A picture that is dropped into it is printed by a saved ticket, then moved
            into its subfolder “done”, or into “failed” with the reason in a text file beside it.
          </p>
        </Empty>
      )}
      {folders.data?.map((folder) => (
        <OneHotFolder key={folder.id} folder={folder} onEdit={() => setEdited(folder)} />
      ))}
      {edited && <HotFolderDrawer edited={edited === 'new' ? undefined : edited} onClose={() => setEdited(undefined)} />}
    </main>
  );
}

function OneHotFolder({ folder, onEdit }: { folder: HotFolder; onEdit: () => void }) {
  const { id, name, root, path, counts, trouble, isOn, files } = folder;
  const queries = useQueryClient();
  const { message } = App.useApp();
  const settled = {
    onSettled: () => void queries.invalidateQueries({ queryKey: hotFoldersQuery().queryKey }),
    onError: (error: unknown) => {
      const { message: text, remedy } = Problem.from(error);
      void message.error(`${text} ${remedy}`, 8);
    },
  };
  const params = { path: { id } };
  const turn = useMutation({
    mutationFn: (on: boolean) =>
      answer(api.PUT('/api/v1/hot-folders/{id}', { params, body: { ...settingsOf(folder), isOn: on } })),
    ...settled,
  });
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/hot-folders/{id}', { params })),
    ...settled,
  });
  const ticket = useSavedTickets().find((one) => one.id === folder.savedTicketId);

  return (
    <section className="card hot-folder" aria-label={name}>
      <header>
        <div className="hot-words">
          <h2>{name}</h2>
          <p>
            What is dropped into <strong>{placeWords(root, path)}</strong> is run by{' '}
            <strong>{ticket ? `“${ticket.name}”` : 'a ticket that was deleted'}</strong>, into a new folder in{' '}
            <strong>{targetWords(folder.target)}</strong>.
          </p>
        </div>
        <Figures {...counts} />
        <div className="hot-buttons">
          <label>
            <Switch checked={isOn} disabled={!folder.savedTicketId} loading={turn.isPending} onChange={(on) => turn.mutate(on)} aria-label={`${name} takes files`} />{' '}
            {isOn ? 'takes files' : 'switched off'}
          </label>
          <Button size="small" onClick={onEdit}>
            Change
          </Button>
          <Popconfirm
            title={`Delete “${name}”?`}
            description="The folder and its files stay on the disk."
            okText="Delete"
            cancelText="Cancel"
            onConfirm={() => remove.mutate()}
          >
            <Button size="small" type="text">
              Delete
            </Button>
          </Popconfirm>
        </div>
      </header>
      {trouble && (
        <p className="hot-trouble" role="alert">
          ■ {trouble}
        </p>
      )}
      {files.length > 0 && <LastFiles files={files} all={counts.waiting + counts.printed + counts.failed} />}
    </section>
  );
}

function Figures({ waiting, printed, failed }: HotFolder['counts']) {
  return (
    <dl className="hot-figures" aria-label="Files of the last day">
      <div>
        <dt>on their way</dt>
        <dd>{waiting}</dd>
      </div>
      <div>
        <dt>printed</dt>
        <dd>{printed}</dd>
      </div>
      <div className={failed > 0 ? 'hot-some-failed' : undefined}>
        <dt>failed</dt>
        <dd>{failed}</dd>
      </div>
    </dl>
  );
}

const fateWords: Record<HotFile['fate'], string> = {
  TAKEN: '○ being looked at',
  WAITING: '○ waiting',
  RUNNING: '◐ being made',
  PRINTED: '● printed',
  FAILED: '■ failed',
};

function LastFiles({ files, all }: { files: HotFile[]; all: number }) {
  return (
    <div className="hot-list" role="region" aria-label="Files of the last day">
      <table>
        <thead>
          <tr>
            <th scope="col">seen at</th>
            <th scope="col">file</th>
            <th scope="col">what became of it</th>
          </tr>
        </thead>
        <tbody>
          {files.map((file) => (
            <tr key={file.id}>
              <td>{time(file.seenAt)}</td>
              <td>
                {file.path}
                {file.movedTo && <span className="quiet"> now {file.movedTo}</span>}
              </td>
              <td className={`hot-${file.fate.toLowerCase()}`}>
                {fateWords[file.fate]}
                {file.problem && <span className="hot-reason"> {file.problem}</span>}
                {file.runId && file.jobId && (
                  <>
                    {file.problem ? ' ' : ': '}
                    <Link to={`/jobs/${file.jobId}/${file.fate === 'PRINTED' ? 'delivery' : 'run'}/${file.runId}`}>
                      {file.fate === 'PRINTED' ? 'its delivery' : 'its run'}
                    </Link>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {all > files.length && <p className="quiet">And {count(all - files.length, 'file')} more in the last day.</p>}
    </div>
  );
}
