import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Segmented } from 'antd';
import { lazy, Suspense, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, stem } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { overrideWords, useFramings } from '../framing';
import { DropPlace, NeverCame, useIntake, type ArrivingFile } from '../intake';
import { useJob } from '../jobs';
import { estimateQuery, sizeWords, startRun, useActiveTicket } from '../ticket';
import { PictureGrid } from './PictureGrid';
import { arranged, filters, sortWords, type Entry, type FilterKey, type SortKey } from './pileModel';
import { originalsQuery, useOriginals } from '../originals';
import { useLosses } from './useLosses';
import './pile.css';

const NOBODY: [] = [];

// What most visits do not open comes when it is opened.
const PictureTable = lazy(() => import('./PictureTable').then(({ PictureTable: Table }) => ({ default: Table })));
const CarryDrawer = lazy(() => import('../carry/dialog'));
const SayProfile = lazy(() => import('../profiles/dialog'));

export function PilePage() {
  const { jobId = '' } = useParams();
  const job = useJob(jobId).data;
  const originals = useOriginals(jobId);
  const ticket = useActiveTicket(jobId);
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', ticket?.document, ticket?.id)).data;
  const framings = useFramings({ jobId, shape: estimate?.shapeKey, ticketId: ticket?.id });
  const { isAccepted, overrideOf } = framings;
  const { add, arriving } = useIntake();
  const [filter, setFilter] = useState<FilterKey>('all');
  const [sort, setSort] = useState<SortKey>('name');
  const [view, setView] = useState<'Pictures' | 'Table'>('Pictures');
  const [chosen, setChosen] = useState<Set<string>>(new Set());
  const [adding, setAdding] = useState(false);
  const lastChosen = useRef<string>(undefined);
  const navigate = useNavigate();

  const losses = useLosses(sort === 'colour' ? (originals.data ?? []) : NOBODY, ticket?.document);
  const entries = useMemo<Entry[]>(() => {
    const byId = new Map(estimate?.pictures.map((picture) => [picture.originalId, picture]));
    return (originals.data ?? []).map((original) => ({
      original,
      estimate: byId.get(original.id),
      framed: isAccepted(original.id),
      own: overrideWords(overrideOf(original.id)),
      loss: losses.get(original.id),
    }));
  }, [originals.data, estimate, isAccepted, overrideOf, losses]);
  const shown = useMemo(() => arranged(entries, filter, sort), [entries, filter, sort]);

  if (originals.isPending) return <Loading what="the pile" />;
  if (originals.isError) return <Failed error={originals.error} again={() => void originals.refetch()} />;

  const take = (files: ArrivingFile[]) => {
    setAdding(false);
    void add(jobId, files);
  };

  const missing = (
    <NeverCame jobId={jobId} present={originals.data.map(({ path }) => path)} onChoose={() => setAdding(true)} />
  );
  if (entries.length === 0 && !arriving) {
    return (
      <main className="shell-body">
        {missing}
        <DropPlace title="Drop the pictures of this job here" onFiles={take}>
          Files or whole folders; subfolders are kept. Originals are never changed.
        </DropPlace>
      </main>
    );
  }

  const choose = (entry: Entry, { shiftKey }: { shiftKey: boolean }) => {
    const next = new Set(chosen);
    const id = entry.original.id;
    const from = shown.findIndex(({ original }) => original.id === lastChosen.current);
    const to = shown.indexOf(entry);
    if (shiftKey && from >= 0) {
      shown.slice(Math.min(from, to), Math.max(from, to) + 1).forEach(({ original }) => next.add(original.id));
    } else if (!next.delete(id)) {
      next.add(id);
    }
    lastChosen.current = id;
    setChosen(next);
  };

  return (
    <main
      className="pile"
      onDragOver={(event) => {
        event.preventDefault();
        setAdding(true);
      }}
    >
      {adding && (
        <div className="pile-drop">
          <DropPlace title="Drop more pictures here" onFiles={take}>
            Pictures that were added before are not sent again. <Button onClick={() => setAdding(false)}>Close</Button>
          </DropPlace>
        </div>
      )}
      {missing}
      <div className="pile-bar">
        <div className="chips" role="group" aria-label="Show">
          {filters.map(({ key, words, holds }) => {
            const number = entries.filter(holds).length;
            return number === 0 && key !== 'all' ? null : (
              <button
                key={key}
                type="button"
                className={`chip${filter === key ? ' chip-on' : ''}`}
                aria-pressed={filter === key}
                onClick={() => setFilter(key)}
              >
                {words} {number}
              </button>
            );
          })}
        </div>
        <span className="pile-gap" />
        <Button
          type="text"
          onClick={() => setChosen(new Set([...chosen, ...shown.map(({ original }) => original.id)]))}
        >
          Select {shown.length === entries.length ? 'all' : `these ${shown.length}`}
        </Button>
        <select
          className="pile-sort"
          aria-label="Sorted"
          value={sort}
          onChange={(event) => setSort(event.target.value as SortKey)}
        >
          {Object.entries(sortWords).map(([value, label]) => (
            <option key={value} value={value}>
              sorted {label}
            </option>
          ))}
        </select>
        <Segmented options={['Pictures', 'Table']} value={view} onChange={setView} />
        <Button onClick={() => setAdding(!adding)}>Add a folder</Button>
      </div>
      {view === 'Pictures' ? (
        <PictureGrid
          entries={shown}
          ppi={ticket?.document.ppi ?? 300}
          unit={ticket?.document.unit ?? 'IN'}
          chosen={chosen}
          onChoose={choose}
          onOpen={({ original }) => original.forPieces && void navigate(`/jobs/${jobId}/bench?at=${original.id}`)}
        />
      ) : (
        <Suspense fallback={<Loading what="the table" />}>
          <PictureTable entries={shown} chosen={chosen} onChosen={setChosen} />
        </Suspense>
      )}
      <Foot jobId={jobId} entries={entries} chosen={chosen} framings={framings} onDone={() => setChosen(new Set())} />
    </main>
  );
}

interface FootProps {
  jobId: string;
  entries: Entry[];
  chosen: Set<string>;
  framings: ReturnType<typeof useFramings>;
  onDone: () => void;
}

/** What can be done with the chosen pictures, or with all. */
function Foot({ jobId, entries, chosen, framings, onDone }: FootProps) {
  const [carriesFrom, setCarriesFrom] = useState<string>();
  const [isSaying, setSaying] = useState(false);
  const ticket = useActiveTicket(jobId);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const picked = entries.filter(({ original }) => chosen.has(original.id));
  const all = entries.filter(({ estimate }) => estimate !== undefined && estimate.problems.length === 0);
  const pictures = useMemo(
    () => entries.filter(({ original }) => chosen.has(original.id) && original.facts),
    [entries, chosen],
  );
  const forPieces = pictures.filter(({ original }) => original.forPieces);
  const pictureIds = useMemo(() => pictures.map(({ original }) => original.id), [pictures]);
  // Carried from a picture that was framed, if there is one outside of those chosen; another can be taken in the drawer.
  const framed = all.filter((entry) => entry.framed);
  const first = framed.find(({ original }) => !chosen.has(original.id)) ?? framed[0];
  const source = all.find(({ original }) => original.id === carriesFrom);
  const out = picked.length > 0 && picked.every(({ original }) => original.leftOut);

  const leave = useMutation({
    mutationFn: async () => {
      for (const { original } of picked) {
        await answer(
          api.PUT('/api/v1/originals/{id}/left-out', { params: { path: { id: original.id } }, body: { leftOut: !out } }),
        );
      }
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSuccess: onDone,
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: originalsQuery(jobId).queryKey });
      void queries.invalidateQueries({ queryKey: ['estimate', jobId] });
    },
  });
  const damaged = picked.filter(({ original }) => original.damage);
  const printed = damaged.length > 0 && damaged.every(({ original }) => original.printedDamaged);
  const printDamaged = useMutation({
    mutationFn: async () => {
      for (const { original } of damaged) {
        await answer(
          api.PUT('/api/v1/originals/{id}/printed-damaged', {
            params: { path: { id: original.id } },
            body: { printed: !printed },
          }),
        );
      }
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: originalsQuery(jobId).queryKey });
      void queries.invalidateQueries({ queryKey: ['estimate', jobId] });
    },
  });
  const run = useMutation({
    mutationFn: () => startRun(ticket!.id, picked.length > 0 ? picked.map(({ original }) => original.id) : null),
    onSuccess: (started) => {
      void queries.invalidateQueries({ queryKey: ['runs', jobId] });
      void navigate(`/jobs/${jobId}/run/${started.id}`);
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });

  return (
    <footer className="card pile-foot" role="region" aria-label="Selected pictures">
      {picked.length > 0 ? (
        <>
          <strong>{picked.length} selected</strong>
          <span className="quiet pile-names">{picked.map(({ original }) => stem(original.path)).join(', ')}</span>
          <Button onClick={onDone}>Clear selection</Button>
          <Button loading={leave.isPending} onClick={() => leave.mutate()}>
            {out ? 'Include again' : 'Leave out of the run'}
          </Button>
          {damaged.length > 0 && (
            <Button loading={printDamaged.isPending} onClick={() => printDamaged.mutate()}>
              {printed ? 'Do not print damaged pictures' : `Print ${count(damaged.length, 'damaged picture')} anyway`}
            </Button>
          )}
          <Button disabled={pictures.length === 0} onClick={() => setSaying(true)}>
            Set their profile
          </Button>
          <Button disabled={!ticket || !first} onClick={() => setCarriesFrom(first?.original.id)}>
            Carry to these
          </Button>
          <Button disabled={!ticket} loading={run.isPending} onClick={() => run.mutate()}>
            Run these {picked.length}
          </Button>
          <Button
            type="primary"
            disabled={forPieces.length === 0}
            onClick={() =>
              void navigate(`/jobs/${jobId}/bench`, { state: { only: forPieces.map(({ original }) => original.id) } })
            }
          >
            Frame these {forPieces.length}
          </Button>
        </>
      ) : (
        <>
          <span>
            {ticket && (
              <>
                {count(all.length, 'picture')} at <strong>{sizeWords(ticket.document.size)}</strong>, {ticket.document.ppi}{' '}
                ppi, into <strong>{ticket.document.folder}</strong>
              </>
            )}
          </span>
          <span className="pile-gap" />
          <Button onClick={() => setSaying(true)}>Missing profiles</Button>
          <Button onClick={() => void navigate(`/jobs/${jobId}/bench`)}>Frame on the bench</Button>
          <Button type="primary" disabled={!ticket || all.length === 0} loading={run.isPending} onClick={() => run.mutate()}>
            Run {count(all.length, 'piece')}
          </Button>
        </>
      )}
      <Suspense fallback={null}>
        {isSaying && (
          <SayProfile jobId={jobId} pictures={pictures.map(({ original }) => original)} onClose={() => setSaying(false)} />
        )}
        {source && ticket && (
          <CarryDrawer
            from={source.original}
            originals={all.map(({ original }) => original)}
            chosen={pictureIds}
            ticketId={ticket.id}
            isAccepted={framings.isAccepted}
            onFrom={setCarriesFrom}
            onClose={() => setCarriesFrom(undefined)}
            onCarry={framings.edit}
          />
        )}
      </Suspense>
    </footer>
  );
}
