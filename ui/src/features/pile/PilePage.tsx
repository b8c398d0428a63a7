import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Segmented } from 'antd';
import { lazy, Suspense, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { count } from '../../shared/format';
import { Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { OpenFolder, OpenedFolders, foldersQuery, openFolder } from '../folders';
import { overrideWords, useFramings } from '../framing';
import { DropPlace, NeverCame, useIntake, type ArrivingFile } from '../intake';
import { useJob } from '../jobs';
import { estimateQuery, useActiveTicket } from '../ticket';
import { Foot } from './Foot';
import { PictureGrid } from './PictureGrid';
import { PileHistory } from './PileHistory';
import { PileOrder } from './PileOrder';
import { arranged, astrayIn, filters, firstOf, keptOrders, moveTo, type Entry, type FilterKey, type Move, type ShownOrder } from './pileModel';
import { useOriginals } from '../originals';
import { useCrossings } from './useCrossings';
import { isPictureDrag } from './useDragToPlace';
import { useLosses } from './useLosses';
import { usePileEdits } from './usePileEdits';
import './pile.css';

const NOBODY: [] = [];

// What most visits do not open comes when it is opened.
const PictureTable = lazy(() => import('./PictureTable').then(({ PictureTable: Table }) => ({ default: Table })));

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
  const [wanted, setWanted] = useState('');
  const [sort, setSort] = useState<ShownOrder>();
  const [view, setView] = useState<'Pictures' | 'Table'>('Pictures');
  const [chosen, setChosen] = useState<Set<string>>(new Set());
  const [adding, setAdding] = useState(false);
  const lastChosen = useRef<string>(undefined);
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();

  const folders = useQuery(foldersQuery(jobId)).data;
  const queries = useQueryClient();
  const openInPlace = async (root: string, path: string) => {
    await openFolder(jobId, root, path);
    setAdding(false);
    void queries.invalidateQueries({ queryKey: ['folders', jobId] });
  };
  const astray = useMemo(() => astrayIn(folders ?? []), [folders]);

  const losses = useLosses(sort === 'colour' ? (originals.data ?? []) : NOBODY, ticket?.document);
  const crossings = useCrossings(sort === 'folds' ? (originals.data ?? []) : NOBODY, ticket?.document);
  const entries = useMemo<Entry[]>(() => {
    const byId = new Map(estimate?.pictures.map((picture) => [picture.originalId, picture]));
    return (originals.data ?? []).map((original) => ({
      original,
      estimate: byId.get(original.id),
      framed: isAccepted(original.id),
      own: overrideWords(overrideOf(original.id)),
      astray: astray.get(original.id),
      loss: losses.get(original.id),
      crossings: crossings.get(original.id),
    }));
  }, [originals.data, estimate, isAccepted, overrideOf, astray, losses, crossings]);
  const shown = useMemo(() => arranged(entries, filter, sort, wanted), [entries, filter, sort, wanted]);

  const pile = usePileEdits(jobId);
  const { message } = App.useApp();
  const step = (which: 'undo' | 'redo') => framings.step(which, () => undefined);
  useKeys((event) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    event.preventDefault();
    step(event.shiftKey ? 'redo' : 'undo');
  });

  if (originals.isPending) return <Loading what="the pile" />;
  if (originals.isError) return <Failed error={originals.error} again={() => void originals.refetch()} />;

  const orderBy = (by: keyof typeof keptOrders, move?: Move) =>
    pile.mutate({ words: `order ${keptOrders[by]}`, pileOrder: { by, moved: move?.moved ?? null, before: move?.before ?? null } });
  /** A move by hand, in the order that is shown. */
  const move = (wanted: Move | undefined) => {
    if (!wanted) return;
    if (sort) {
      void message.info('Keep this order first: it is only shown.');
      return;
    }
    pile.mutate({ words: `move ${count(wanted.moved.length, 'picture')}`, pileOrder: { by: 'HAND', ...wanted } });
  };
  const take = (files: ArrivingFile[]) => {
    setAdding(false);
    void add(jobId, files);
  };

  const missing = (
    <NeverCame jobId={jobId} present={originals.data.map(({ path }) => path)} onChoose={() => setAdding(true)} />
  );
  const onServer = <OpenFolder verb="Take in" onOpen={openInPlace} />;
  if (entries.length === 0 && !arriving) {
    return (
      <main className="shell-body">
        <h1 className="visually-hidden">Pile</h1>
        {missing}
        <OpenedFolders jobId={jobId} />
        <DropPlace title="Drop the pictures of this job here" onFiles={take}>
          Files or whole folders; subfolders are kept. Originals are never changed. {onServer}
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
    setSearch({ at: id }, { replace: true });
    setChosen(next);
  };

  return (
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- a place to drop files; a button adds them too
    <main
      className="pile"
      onDragOver={(event) => {
        if (isPictureDrag(event)) return;
        event.preventDefault();
        setAdding(true);
      }}
    >
      <h1 className="visually-hidden">Pile</h1>
      {adding && (
        <div className="pile-drop">
          <DropPlace title="Drop more pictures here" onFiles={take}>
            Pictures that were added before are not sent again. {onServer} <Button onClick={() => setAdding(false)}>Close</Button>
          </DropPlace>
        </div>
      )}
      {missing}
      <OpenedFolders jobId={jobId} />
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
        <input
          className="pile-find"
          type="search"
          value={wanted}
          placeholder="Find"
          aria-label="Find by name, title, creator or date taken"
          title="Name, title, creator or date taken"
          onChange={(event) => setWanted(event.target.value)}
        />
        <Button
          type="text"
          onClick={() => setChosen(new Set([...chosen, ...shown.map(({ original }) => original.id)]))}
        >
          Select {shown.length === entries.length ? 'all' : `these ${shown.length}`}
        </Button>
        <PileOrder
          kept={job?.pileOrder ?? 'NAME'}
          shown={sort}
          onMoveFirst={chosen.size === 0 ? undefined : () => move(firstOf(entries, chosen))}
          onShown={setSort}
          onKept={(by) => {
            setSort(undefined);
            if (by !== job?.pileOrder) orderBy(by);
          }}
          onKeepShown={() => {
            setSort(undefined);
            const all = arranged(entries, 'all', sort).map(({ original }) => original.id);
            orderBy(sort === 'colour' ? 'LOSS' : 'HAND', { moved: all, before: null });
          }}
        />
        <PileHistory undoes={framings.undoes} redoes={framings.redoes} onStep={step} />
        <Segmented options={['Pictures', 'Table']} value={view} onChange={setView} />
        <Button onClick={() => setAdding(!adding)}>Add a folder</Button>
      </div>
      {view === 'Pictures' ? (
        <PictureGrid
          entries={shown}
          ppi={ticket?.document.ppi ?? 300}
          unit={ticket?.document.unit ?? 'IN'}
          chosen={chosen}
          first={search.get('at')}
          onChoose={choose}
          onMove={(from, before) => move(moveTo(shown, chosen, from, before))}
          onOpen={({ original }) => original.forPieces && void navigate(`/jobs/${jobId}/bench?at=${original.id}`)}
        />
      ) : (
        <Suspense fallback={<Loading what="the table" />}>
          <PictureTable entries={shown} chosen={chosen} onChosen={setChosen} />
        </Suspense>
      )}
      <Foot
        jobId={jobId}
        entries={entries}
        chosen={chosen}
        framings={framings}
        onDone={() => setChosen(new Set())}
      />
    </main>
  );
}
