import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, decimals, duration, pixels, time } from '../../shared/format';
import { LinkButton } from '../../shared/LinkButton';
import { Empty, Failed, Loading } from '../../shared/states';
import { useSmallPictures } from '../originals';
import { foldersOf, runQuery, runsQuery, ticketsOf, useRuns, type PieceView, type RunView } from './queries';
import { Wall } from './Wall';
import './run.css';

/** A run as the brick wall that is being built. Closing the page stops nothing. */
export function RunPage() {
  const { jobId = '', runId } = useParams();
  const runs = useRuns(jobId);
  const navigate = useNavigate();
  const shownId = runId ?? runs.data?.[0]?.id;
  const whole = useQuery(runQuery(shownId));

  if (runs.isPending) return <Loading what="the runs" />;
  if (runs.isError) return <Failed error={runs.error} again={() => void runs.refetch()} />;
  if (!shownId) {
    return (
      <Empty title="Nothing has been run yet">
        <p className="quiet">Start a run from the ticket or from the pile.</p>
        <Button type="primary" onClick={() => void navigate(`/jobs/${jobId}/ticket`)}>
          Go to the ticket
        </Button>
      </Empty>
    );
  }
  if (whole.isError) return <Failed error={whole.error} again={() => void whole.refetch()} />;
  if (!whole.data) return <Loading what="the run" />;
  return (
    <OneRun key={shownId} jobId={jobId} run={whole.data.run} pieces={whole.data.pieces}>
      {runs.data.length > 1 && (
        <Select
          aria-label="Run"
          value={shownId}
          popupMatchSelectWidth={false}
          onChange={(id) => void navigate(`/jobs/${jobId}/run/${id}`)}
          options={runs.data.map((run) => ({ value: run.id, label: `${ticketsOf(run)}, ${time(run.startedAt)}` }))}
        />
      )}
    </OneRun>
  );
}

interface OneRunProps {
  jobId: string;
  run: RunView;
  pieces: PieceView[];
  children?: ReactNode;
}

function OneRun({ jobId, run, pieces, children }: OneRunProps) {
  const small = useSmallPictures(jobId);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const [chosenId, setChosenId] = useState<string>();
  const refresh = () => {
    void queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey });
    void queries.invalidateQueries({ queryKey: runsQuery(jobId).queryKey });
  };
  const onError = (error: unknown) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`);
  const path = { path: { id: run.id } };
  const stop = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/runs/{id}/stop', { params: path })),
    onSettled: refresh,
    onError,
  });
  const resume = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/runs/{id}/resume', { params: path })),
    onSettled: refresh,
    onError,
  });
  const retry = useMutation({
    mutationFn: (pieceIds: string[] | null) =>
      answer(api.POST('/api/v1/runs/{id}/retry', { params: path, body: { pieceIds } })),
    onSettled: refresh,
    onError,
  });

  const making = pieces.filter((piece) => piece.state === 'MAKING');
  const failed = failuresOf(pieces);
  const chosen = pieces.find((piece) => piece.id === chosenId);
  const { counts } = run;
  const finished = run.state === 'FINISHED';
  return (
    <main className="run">
      <section className="card run-main" aria-label="Run">
        <header>
          <h1>{ticketsOf(run)}</h1>
          {children}
          <span className="run-gap" />
          {(run.state === 'RUNNING' || run.state === 'PAUSED') && (
            <Button loading={stop.isPending} onClick={() => stop.mutate()}>
              Stop
            </Button>
          )}
          {counts.stopped > 0 && (
            <Button type="primary" loading={resume.isPending} onClick={() => resume.mutate()}>
              Resume {counts.stopped}
            </Button>
          )}
          {run.state === 'PAUSED' && (
            <Button type="primary" loading={resume.isPending} onClick={() => resume.mutate()}>
              Continue now
            </Button>
          )}
          {finished && counts.checked > 0 && (
            <LinkButton type="primary" to={`/jobs/${jobId}/delivery/${run.id}`}>
              See the delivery
            </LinkButton>
          )}
        </header>
        <p className="run-figures" role="status">
          <span>
            <b>{counts.checked}</b> of {count(counts.all, 'piece')}
          </span>
          {run.state !== 'PAUSED' && (
            <span>
              <b>{decimals(run.piecesPerMinute, 1)}</b> per minute
            </span>
          )}
          {run.secondsLeft != null && (
            <span>
              <b>{duration(run.secondsLeft)}</b> left
            </span>
          )}
          {finished && run.finishedAt && (
            <span>
              <b>{time(run.finishedAt)}</b> finished
            </span>
          )}
          {run.state === 'STOPPED' && (
            <span>
              <b>stopped</b>
            </span>
          )}
          {run.state === 'PAUSED' && (
            <span>
              <b>paused</b>
            </span>
          )}
          {counts.failed > 0 && (
            <span className="run-failed">
              <b>{counts.failed}</b> failed
            </span>
          )}
        </p>
        {run.pause && (
          <div className="run-pause" role="alert">
            <strong>Paused: {run.pause.text}</strong> {run.pause.remedy}
          </div>
        )}
        <div className="run-walls">
          {run.orders.map((order) => {
            const ofOrder = run.orders.length === 1 ? pieces : pieces.filter(({ orderId }) => orderId === order.id);
            return (
              <section key={order.id} aria-label={order.ticketName} style={{ flexGrow: ofOrder.length }}>
                {run.orders.length > 1 && (
                  <h2>
                    {order.ticketName}{' '}
                    <span className="quiet">
                      {ofOrder.filter(({ state }) => state === 'CHECKED').length} of {ofOrder.length} checked
                    </span>
                  </h2>
                )}
                <Wall pieces={ofOrder} chosen={chosenId} onChoose={(piece) => setChosenId(piece.id)} />
              </section>
            );
          })}
        </div>
        <p className="run-legend">
          <span className="mini laid-checked" /> checked <span className="mini laid-making" /> making{' '}
          <span className="mini laid-failed" /> failed <span className="mini laid-waiting" /> waiting{' '}
          <span className="mini laid-stopped" /> stopped
        </p>
      </section>
      <aside className="run-side">
        {chosen && (
          <section className="card" aria-label="Selected piece">
            <h2>{chosen.name}</h2>
            <p className="quiet">from {chosen.originalPath}</p>
            <p>{chosen.width > 0 ? `${pixels(chosen.width, chosen.height)} px` : 'no plan'}</p>
            {chosen.digest && <p className="quiet digest">SHA-256 {chosen.digest}</p>}
          </section>
        )}
        {making.length > 0 && (
          <section className="card" aria-label="Now making">
            <h2>Now making</h2>
            {making.slice(0, 4).map((piece) => (
              <div key={piece.id} className="making">
                <img src={small(piece.originalId)} alt="" />
                <span>
                  <strong>{piece.name}</strong>
                  <span>
                    {pixels(piece.width, piece.height)} px
                    {piece.checking
                      ? ', checking'
                      : piece.strips > 0
                        ? `, strip ${piece.strip} of ${piece.strips}`
                        : ', opening'}
                  </span>
                </span>
              </div>
            ))}
          </section>
        )}
        {failed.length > 0 && (
          <section className="card failed-pieces" aria-label="Failed">
            <h2>Failed</h2>
            {failed.slice(0, 6).map(({ problem, ids }) => (
              <div key={ids[0]}>
                <p>
                  <strong>{problem?.text}</strong>
                </p>
                <p className="quiet">The other pieces continue. {problem?.remedy}</p>
                <Button size="small" loading={retry.isPending} onClick={() => retry.mutate(ids)}>
                  {ids.length === 1 ? 'Try again' : `Try its ${ids.length} pieces again`}
                </Button>
              </div>
            ))}
            {failed.length > 1 && (
              <Button loading={retry.isPending} onClick={() => retry.mutate(null)}>
                Try all {counts.failed} again
              </Button>
            )}
          </section>
        )}
        <section className="card" aria-label="Checks">
          <h2>Every finished piece is checked</h2>
          <p className="quiet">
            {counts.checked} opened again and checked: size in pixels, ppi and profile match the ticket. In {foldersOf(run)}.
          </p>
        </section>
      </aside>
    </main>
  );
}

/** Failed pieces with their reason: what is wrong with a picture is said once for all tickets that ask for it. */
function failuresOf(pieces: PieceView[]): { problem: PieceView['problem']; ids: string[] }[] {
  const found = new Map<string, { problem: PieceView['problem']; ids: string[] }>();
  for (const { id, originalId, state, problem } of pieces) {
    if (state !== 'FAILED') continue;
    const key = `${originalId} ${problem?.text}`;
    const known = found.get(key) ?? { problem, ids: [] };
    known.ids.push(id);
    found.set(key, known);
  }
  return [...found.values()];
}
