import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { bytes, count, fileName, time } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { OpenRuns } from './OpenRuns';
import { Outside } from './Outside';
import { openRunsQuery, workersQuery, type Making, type Worker } from './queries';
import './workers.css';

/** The processes that make pieces, on whichever machine, and the runs that they share. */
export function WorkersPage() {
  const workers = useQuery(workersQuery());
  const runs = useQuery(openRunsQuery());
  if (workers.isError || runs.isError) {
    return (
      <main className="shell-body workers">
        <h1>Floor</h1>
        <Failed
          error={workers.error ?? runs.error}
          again={() => {
            void workers.refetch();
            void runs.refetch();
          }}
        />
      </main>
    );
  }
  return (
    <main className="shell-body workers">
      <h1>Floor</h1>
      {(workers.isPending || runs.isPending) && <Loading what="the workers" />}
      {runs.data && <OpenRuns runs={runs.data} />}
      <Outside />
      {workers.data?.length === 0 && (
        <Empty title="No worker is there">
          <p className="quiet">Runs wait until one is started: the application itself is one, unless it was told not to be.</p>
        </Empty>
      )}
      <div className="workers-all">
        {workers.data?.map((worker) => (
          <OneWorker key={worker.id} worker={worker} />
        ))}
      </div>
    </main>
  );
}

const stateWords: Record<Worker['state'], string> = {
  MAKING: '◐ at work',
  IDLE: '○ idle',
  LOST: '■ lost',
};

function OneWorker({ worker }: { worker: Worker }) {
  const { id, name, machine, number, hasPages, state, threads, memoryBytes, lastHour, making } = worker;
  const title = hasPages ? 'The application itself' : name.replace(`@${machine}`, '');
  return (
    <section className={`card worker worker-${state.toLowerCase()}`} aria-label={title}>
      <header>
        <h2>{title}</h2>
        <span className="worker-state">{stateWords[state]}</span>
      </header>
      <p className="quiet">
        {machine}, process {number} · since {time(worker.beganAt)} · {count(threads, 'piece')} at once, up to {bytes(memoryBytes)}{' '}
        of heap · <b>{lastHour}</b> made in the last hour
      </p>
      {state === 'LOST' ? <Lost id={id} seenAt={worker.seenAt} /> : making.map((one) => <OnePiece key={one.pieceId} making={one} />)}
    </section>
  );
}

function OnePiece({ making }: { making: Making }) {
  const { name, jobName, originalPath, strip, strips, checking } = making;
  const step = checking ? 'being checked' : strips > 0 ? `strip ${strip} of ${strips}` : 'original being read';
  return (
    <div className="worker-piece">
      <span>
        <b>{name}</b> from {fileName(originalPath)} <span className="quiet">in {jobName}</span>
      </span>
      <progress aria-label={`${name}, ${step}`} max={Math.max(strips, 1)} value={checking ? Math.max(strips, 1) : strip} />
      <span className="quiet">{step}</span>
    </div>
  );
}

function Lost({ id, seenAt }: { id: string; seenAt: string }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const forget = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/workers/{id}', { params: { path: { id } } })),
    onSettled: () => void queries.invalidateQueries({ queryKey: workersQuery().queryKey }),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  return (
    <p className="worker-gone" role="alert">
      <span>
        Last seen at {time(seenAt)}: it was ended, or its machine or the network is down. The pieces it was at are made by others.
      </span>
      <Button size="small" loading={forget.isPending} onClick={() => forget.mutate()}>
        Take it off the list
      </Button>
    </p>
  );
}
