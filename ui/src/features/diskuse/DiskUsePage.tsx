import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Popconfirm, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { bytes, count, day } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { jobsQuery } from '../jobs';
import { foldersOf, ticketsOf, type RunView } from '../run';
import { diskUseQuery, keptRunsQuery } from './queries';
import './diskuse.css';

const AGES = [0, 30, 90, 180, 365];
const USUAL_AGE = 90;
const STORED = 'embrick.kept.days';

const storedAge = () => {
  const stored = Number(localStorage.getItem(STORED) ?? USUAL_AGE);
  return AGES.includes(stored) ? stored : USUAL_AGE;
};

const ageWords = (days: number) => (days === 0 ? 'all that are finished' : `older than ${days} days`);

/** What takes room, and deliveries that have been kept long enough: they are cleared when somebody says so, and never else. */
export function DiskUsePage() {
  const use = useQuery(diskUseQuery());
  const [days, setDays] = useState(storedAge);
  const kept = useQuery(keptRunsQuery(days));
  return (
    <main className="shell-body disk-use">
      <h1>Disk use</h1>
      {use.isError && <Failed error={use.error} again={() => void use.refetch()} />}
      {use.data && <Use use={use.data} />}
      <section className="card disk-kept" aria-label="Deliveries to clear">
        <header>
          <h2>Deliveries</h2>
          <Select
            aria-label="Age"
            value={days}
            onChange={(chosen) => {
              localStorage.setItem(STORED, String(chosen));
              setDays(chosen);
            }}
            options={AGES.map((value) => ({ value, label: ageWords(value) }))}
          />
        </header>
        {kept.isPending && <Loading what="the deliveries" />}
        {kept.isError && <Failed error={kept.error} again={() => void kept.refetch()} />}
        {kept.data?.length === 0 && <p className="quiet">No delivery this old still has files.</p>}
        {kept.data && kept.data.length > 0 && <Kept key={days} runs={kept.data} />}
      </section>
    </main>
  );
}

function Use({ use }: { use: Schemas['DiskUse'] }) {
  return (
    <dl className="card disk-figures" aria-label="Room">
      <div>
        <dt>free</dt>
        <dd>{bytes(use.freeBytes)}</dd>
      </div>
      <div>
        <dt>{count(use.originals, 'original')}</dt>
        <dd>{bytes(use.originalBytes)}</dd>
      </div>
      <div>
        <dt>{count(use.deliveries, 'delivered file')}</dt>
        <dd>{bytes(use.deliveryBytes)}</dd>
      </div>
      {use.elsewhere > 0 && (
        <div>
          <dt>{count(use.elsewhere, 'delivered file')} in other folders</dt>
          <dd>{bytes(use.elsewhereBytes)}</dd>
        </div>
      )}
    </dl>
  );
}

function Kept({ runs }: { runs: RunView[] }) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const names = new Map(useQuery(jobsQuery()).data?.map((job) => [job.id, job.name]));
  const [chosen, setChosen] = useState<string[]>([]);
  const picked = runs.filter(({ id }) => chosen.includes(id));
  const room = picked.reduce((sum, { fileBytes }) => sum + fileBytes, 0);
  const clear = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/runs/clear', { body: { runIds: picked.map(({ id }) => id) } })),
    onSuccess: ({ runs: cleared, refused }) => {
      if (refused.length > 0) {
        void message.error(`${count(refused.length, 'delivery', 'deliveries')} not cleared. ${refused[0]!.text} ${refused[0]!.remedy}`, 8);
      } else {
        void message.success(`${count(cleared, 'delivery', 'deliveries')} cleared.`);
      }
      setChosen([]);
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
    onSettled: () => {
      for (const key of ['kept-runs', 'disk-use', 'runs', 'delivery']) void queries.invalidateQueries({ queryKey: [key] });
    },
  });
  return (
    <>
      <div className="disk-buttons">
        <Checkbox
          checked={picked.length === runs.length}
          indeterminate={picked.length > 0 && picked.length < runs.length}
          onChange={(event) => setChosen(event.target.checked ? runs.map(({ id }) => id) : [])}
        >
          All of them
        </Checkbox>
        <Popconfirm
          title={`Clear ${count(picked.length, 'delivery', 'deliveries')}?`}
          description="Their files are deleted, but for those that were changed since they were checked. Lists, certificates and originals stay, and each piece can be made again."
          okText="Clear"
          cancelText="Cancel"
          disabled={picked.length === 0}
          onConfirm={() => clear.mutate()}
        >
          <Button danger disabled={picked.length === 0} loading={clear.isPending}>
            {picked.length === 0 ? 'Clear' : `Clear ${count(picked.length, 'delivery', 'deliveries')}, ${bytes(room)}`}
          </Button>
        </Popconfirm>
      </div>
      <ul>
        {runs.map((run) => (
          <li key={run.id}>
            <Checkbox
              aria-label={`${foldersOf(run)} of ${names.get(run.jobId) ?? 'a job'}`}
              checked={chosen.includes(run.id)}
              onChange={(event) =>
                setChosen(event.target.checked ? [...chosen, run.id] : chosen.filter((id) => id !== run.id))
              }
            />
            <Link to={`/jobs/${run.jobId}/delivery/${run.id}`}>
              {names.get(run.jobId)} / {foldersOf(run)}
            </Link>
            <span className="quiet">{ticketsOf(run)}</span>
            <span className="quiet">{run.finishedAt && day(run.finishedAt)}</span>
            <span>{bytes(run.fileBytes)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
