import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Progress } from 'antd';
import { useEffect } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { bytes, count } from '../../shared/format';
import { foldersQuery, placeWords, type Folder } from './queries';
import './folders.css';

const NAMED = 4;

/** What is to be told of the folders that a job's pictures lie in; nothing where all is as it was. */
export function OpenedFolders({ jobId }: { jobId: string }) {
  const queries = useQueryClient();
  const folders = useQuery(foldersQuery(jobId)).data ?? [];
  const done = folders.reduce((sum, { intake }) => sum + (intake?.done ?? 0), 0);
  const isComingIn = folders.some(({ intake }) => intake);

  // What has come in is shown as it comes, and once more when all is there.
  useEffect(() => {
    void queries.invalidateQueries({ queryKey: ['originals', jobId] });
    if (isComingIn) return;
    void queries.invalidateQueries({ queryKey: ['estimate', jobId] });
    void queries.invalidateQueries({ queryKey: ['jobs'] });
  }, [queries, jobId, done, isComingIn]);

  return folders.map((folder) => <OpenedFolder key={folder.id} jobId={jobId} folder={folder} />);
}

function OpenedFolder({ jobId, folder }: { jobId: string; folder: Folder }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const settled = {
    onSettled: () => void queries.invalidateQueries({ queryKey: ['folders', jobId] }),
    onError: (error: unknown) => void message.error(Problem.from(error).message),
  };
  const params = { path: { id: folder.id } };
  const take = useMutation({
    mutationFn: (changed: boolean) =>
      answer(api.POST('/api/v1/folders/{id}/intake', { params, body: { changed } })),
    ...settled,
  });
  const close = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/folders/{id}', { params })),
    ...settled,
  });

  const cancel = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/folders/{id}/intake', { params })),
    ...settled,
  });

  const { intake } = folder;
  if (intake) {
    return <ComingIn folder={folder} intake={intake} stopping={cancel.isPending} onStop={() => cancel.mutate()} />;
  }
  const told = news(folder);
  if (told.length === 0) return null;
  return (
    <section className="folder-news" role="status" aria-label={`News of ${placeWords(folder.root, folder.path)}`}>
      <div>
        <strong>{placeWords(folder.root, folder.path)}</strong>
        <ul>
          {told.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
      <span className="drop-buttons">
        {folder.fresh > 0 && (
          <Button type="primary" loading={take.isPending} onClick={() => take.mutate(false)}>
            Take {folder.fresh === 1 ? 'it' : `the ${folder.fresh}`} in
          </Button>
        )}
        {folder.changed.length > 0 && (
          <Button loading={take.isPending} onClick={() => take.mutate(true)}>
            Take the changed {folder.changed.length === 1 ? 'file' : 'files'} as {folder.changed.length === 1 ? 'it is' : 'they are'} now
          </Button>
        )}
        <Button loading={close.isPending} onClick={() => close.mutate()} title="Its pictures stay in the job">
          Stop looking after this folder
        </Button>
      </span>
    </section>
  );
}

interface ComingInProps {
  folder: Folder;
  intake: NonNullable<Folder['intake']>;
  stopping: boolean;
  onStop: () => void;
}

function ComingIn({ folder, intake, stopping, onStop }: ComingInProps) {
  const { files, done, readBytes } = intake;
  const place = placeWords(folder.root, folder.path);
  // Files are read one after the other: a large one is told by its bytes, so that the wait is seen to go on.
  const share = intake.bytes === 0 ? 0 : Math.max(done / files, Math.min(1, readBytes / intake.bytes) * 0.9);
  return (
    <section className="folder-news" role="status">
      <div>
        <strong>Taking in {place}</strong>
        <p className="quiet">
          {files === 0
            ? 'Looking for its files.'
            : `${done} of ${count(files, 'file')}, ${bytes(readBytes)} of ${bytes(intake.bytes)} read.`}{' '}
          It goes on when this page is closed.
        </p>
      </div>
      <Progress
        className="folder-progress"
        percent={files === 0 ? 0 : Math.floor(share * 100)}
        aria-label={`Taking in ${place}`}
      />
      <Button loading={stopping} onClick={onStop} title="What has come in stays; the rest can be taken in later">
        Stop
      </Button>
    </section>
  );
}

function named(names: string[], all: number): string {
  const shown = names.slice(0, NAMED).join(', ');
  return all > NAMED ? `${shown} and ${all - NAMED} more` : shown;
}

/** What a person would want to know, a line each. */
function news({ away, fresh, freshNames, changed, vanished, unread, isCut, refused }: Folder): string[] {
  if (away) return [away];
  return [
    fresh > 0 && `${count(fresh, 'file is', 'files are')} not in the job: ${named(freshNames, fresh)}.`,
    changed.length > 0 &&
      `${count(changed.length, 'picture was', 'pictures were')} changed since ${changed.length === 1 ? 'it was' : 'they were'} taken in, and will not be printed.`,
    vanished.length > 0 &&
      `${count(vanished.length, 'picture is', 'pictures are')} no longer in the folder: put ${vanished.length === 1 ? 'it' : 'them'} back, or remove ${vanished.length === 1 ? 'it' : 'them'} from the job.`,
    ...refused.map(({ problem }) => problem),
    unread.length > 0 && `The server may not read ${named(unread, unread.length)}.`,
    isCut && 'It has more than 20 000 files: only the first of them are looked at. Open its subfolders one by one.',
  ].filter((line): line is string => typeof line === 'string');
}
