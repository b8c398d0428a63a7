import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import type { ReactNode } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { decimals } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { LoadRoll } from './LoadRoll';
import { OneJob } from './OneJob';
import { isOver, rollQuery, type RollState } from './queries';
import './roll.css';

/** The roll printer: what is in it, what it needs from a person, and its jobs with the paper as it is printed. */
export function RollPage() {
  const roll = useQuery(rollQuery());
  const act = useActs();
  if (roll.isPending) return <Loading what="the roll printer" />;
  if (roll.isError) return <Failed error={roll.error} again={() => void roll.refetch()} />;
  const { data } = roll;
  if (data.state !== 'REACHED' || !data.loaded) {
    return (
      <Empty title={data.state === 'NOT_SET_UP' ? 'No roll printer is set up' : 'The roll printer cannot be reached'}>
        <p className="quiet">
          {data.state === 'NOT_SET_UP'
            ? 'Set EMBRICK_ROLL to its address and start Embrick again.'
            : 'See that it runs: ./embrick roll starts the simulated one. What it was sent goes on when it is back.'}
        </p>
      </Empty>
    );
  }
  const open = data.jobs.filter((job) => !isOver(job));
  return (
    <main className="shell-body roll">
      <header className="roll-head">
        <h1>Roll printer</h1>
        <p>
          <b>{decimals(data.loaded.width / 25.4, 0)} in</b> {data.loaded.paper}, <b>{decimals(data.loaded.left / 1000, 2)} m</b> left
        </p>
        <ul className="roll-inks" aria-label="Inks">
          {data.inks.map(({ name, percent }) => (
            <li key={name}>
              <meter min={0} max={100} low={15} value={percent} aria-label={name} /> {name} {decimals(percent, 0)} %
            </li>
          ))}
        </ul>
        {data.stop !== 'INK' && data.inks.some(({ percent }) => percent < 100) && (
          <Button size="small" onClick={act.fill}>
            Fill the inks
          </Button>
        )}
      </header>
      <Needs roll={data} act={act} />
      {data.jobs.length === 0 && (
        <p className="quiet">Nothing has been sent to it yet. Lay a delivery’s pieces on paper, and print them from there.</p>
      )}
      {[...open.toReversed(), ...data.jobs.filter(isOver)].map((job) => (
        <OneJob key={job.id} job={job} waits={data.stop != null} left={data.loaded!.left} onCancel={() => act.cancel(job.id)} />
      ))}
    </main>
  );
}

type Acts = ReturnType<typeof useActs>;

function useActs() {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const { mutate } = useMutation({
    mutationFn: (act: () => Promise<RollState>) => act(),
    onSuccess: (now) => queries.setQueryData(rollQuery().queryKey, now),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
  });
  return {
    load: (width: number, paper: string, length: number) =>
      mutate(() => answer(api.PUT('/api/v1/roll/paper', { body: { width, paper, length } }))),
    fill: () => mutate(() => answer(api.POST('/api/v1/roll/inks'))),
    clearJam: () => mutate(() => answer(api.POST('/api/v1/roll/jam/clear'))),
    cancel: (id: string) => mutate(() => answer(api.POST('/api/v1/roll/jobs/{id}/cancel', { params: { path: { id } } }))),
  };
}

/** What the printer waits for, and how it is given. */
function Needs({ roll, act }: { roll: RollState; act: Acts }) {
  switch (roll.stop) {
    case 'PAPER':
      return (
        <Need words="The roll has ended. Load another: pieces that its end cut through are printed again, those that are whole are not.">
          <LoadRoll onLoad={act.load} />
        </Need>
      );
    case 'OTHER_ROLL':
      return (
        <Need words="The next job needs a wider roll than the one that is loaded, or another paper.">
          <LoadRoll onLoad={act.load} />
        </Need>
      );
    case 'SHORT':
      return (
        <Need words="The next piece is longer than what is left on the roll. Load a longer roll, or cancel the job.">
          <LoadRoll onLoad={act.load} />
        </Need>
      );
    case 'JAM':
      return (
        <Need words="The paper has jammed. Take it out; the pieces that were under way are printed again.">
          <Button type="primary" onClick={act.clearJam}>
            The paper is free: go on
          </Button>
        </Need>
      );
    case 'INK':
      return (
        <Need words="An ink is used up. The job goes on where it is once it is filled.">
          <Button type="primary" onClick={act.fill}>
            Fill the inks
          </Button>
        </Need>
      );
    default:
      return roll.jobs.every(isOver) ? (
        <details className="roll-other">
          <summary>Load another roll</summary>
          <LoadRoll onLoad={act.load} />
        </details>
      ) : null;
  }
}

function Need({ words, children }: { words: string; children: ReactNode }) {
  return (
    <section className="roll-need" role="alert">
      <p>{words}</p>
      {children}
    </section>
  );
}
