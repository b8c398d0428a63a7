import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { whyNotPrinted } from '../../api/estimates';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, spokenIn, stem } from '../../shared/format';
import type { useFramings } from '../framing';
import { originalsQuery } from '../originals';
import { sizeWords, startRun, useActiveTicket } from '../ticket';
import { TargetChoice } from '../targets';
import type { Entry } from './pileModel';
import { usePileEdits } from './usePileEdits';

const CarryDrawer = lazy(() => import('../carry/dialog'));
const FoundDrawer = lazy(() => import('../found/dialog'));
const ProductsDrawer = lazy(() => import('../products/dialog'));
const Corrections = lazy(() => import('./Corrections').then(({ Corrections: Part }) => ({ default: Part })));
const PictureTexts = lazy(() => import('../ticket/dialog'));
const SayProfile = lazy(() => import('../profiles/dialog'));

interface FootProps {
  jobId: string;
  entries: Entry[];
  chosen: Set<string>;
  framings: ReturnType<typeof useFramings>;
  onDone: () => void;
}

/** What can be done with the chosen pictures, or with all. */
export function Foot({ jobId, entries, chosen, framings, onDone }: FootProps) {
  const [carriesFrom, setCarriesFrom] = useState<string>();
  const [isSaying, setSaying] = useState(false);
  const [isWriting, setWriting] = useState(false);
  const [looksAt, setLooksAt] = useState<Entry[]>();
  const [isHolding, setHolding] = useState(false);
  const ticket = useActiveTicket(jobId);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const picked = entries.filter(({ original }) => chosen.has(original.id));
  const all = entries.filter(({ estimate }) => estimate !== undefined && !whyNotPrinted(estimate));
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

  const pile = usePileEdits(jobId);
  const leave = () =>
    pile.mutate(
      {
        words: `${out ? 'include' : 'exclude'} ${count(picked.length, 'picture')}`,
        exclusions: picked.map(({ original }) => ({ originalId: original.id, leftOut: !out })),
      },
      { onSuccess: onDone },
    );
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
          <Button onClick={onDone}>Clear</Button>
          <Button loading={pile.isPending} onClick={leave}>
            {out ? 'Include again' : 'Exclude from runs'}
          </Button>
          {damaged.length > 0 && (
            <Button loading={printDamaged.isPending} onClick={() => printDamaged.mutate()}>
              {printed ? 'Do not print damaged pictures' : `Print ${count(damaged.length, 'damaged picture')} anyway`}
            </Button>
          )}
          <Button disabled={!ticket || !framings.isLoaded || pictures.length === 0} onClick={() => setLooksAt(pictures)}>
            Borders and tilts
          </Button>
          <Button disabled={pictures.length === 0} onClick={() => setSaying(true)}>
            Profile
          </Button>
          <Button disabled={!ticket || !framings.isLoaded || pictures.length === 0} onClick={() => setWriting(true)}>
            Copies and caption
          </Button>
          <Suspense fallback={null}>
            <Corrections jobId={jobId} picked={picked.map(({ original }) => original)} onDone={onDone} />
          </Suspense>
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
                {count(all.length, 'picture')} at <strong>{sizeWords(spokenIn(ticket.document.size, ticket.document.unit))}</strong>, {ticket.document.ppi}{' '}
                ppi, into <strong>{ticket.document.folder}</strong> in <TargetChoice jobId={jobId} />
              </>
            )}
          </span>
          <span className="pile-gap" />
          <Button disabled={!ticket || !framings.isLoaded || all.length === 0} onClick={() => setLooksAt(all)}>
            Borders and tilts
          </Button>
          <Button onClick={() => setHolding(true)}>Products</Button>
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
        {isHolding && (
          <ProductsDrawer jobId={jobId} originals={entries.map(({ original }) => original)} onClose={() => setHolding(false)} />
        )}
        {looksAt && ticket && (
          <FoundDrawer
            jobId={jobId}
            originals={looksAt.map(({ original }) => original)}
            ticket={ticket.document}
            framingOf={framings.of}
            onTake={framings.edit}
            onClose={() => setLooksAt(undefined)}
          />
        )}
        {isWriting && ticket && (
          <PictureTexts
            ticket={ticket}
            pictures={pictures.length}
            value={framings.overrideOf(pictureIds[0]!)}
            onKeep={(own) =>
              framings.edit(
                `copies and caption of ${count(pictures.length, 'picture')}`,
                pictureIds.map((originalId) => ({ originalId, override: { ...framings.overrideOf(originalId), ...own } })),
              )
            }
            onClose={() => setWriting(false)}
          />
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
