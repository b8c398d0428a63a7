import { useQuery } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate, useParams } from 'react-router';
import { isForPieces, smallPicture, type Schemas } from '../../api/client';
import { Empty, Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import {
  centred,
  held,
  mirrored,
  movedInSeen,
  nextCorners,
  PictureColumn,
  quarterTurned,
  tighter,
  tilted,
  turned,
  useFramings,
  type Override,
  type Framing,
} from '../framing';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { activate, estimateQuery, useActiveTicket, useTickets } from '../ticket';
import { BenchTools } from './BenchTools';
import { FiguresBar } from './FiguresBar';
import { NearFigure } from './NearFigure';
import { guides, type Guide } from './Guides';
import { commandOf, repeats, type BenchCommand } from './keys';
import { KeySheet } from './KeySheet';
import { Stage } from './Stage';
import { useHand } from './useHand';
import { useLevelLine } from './useLevelLine';
import { usePlanAhead, usePlanned, type Subject } from './usePlanned';
import './bench.css';

const CarryDrawer = lazy(() => import('../carry/dialog'));

const TIGHTEN = 1.03;
const MM_PER_INCH = 25.4;

type Plan = Schemas['PlanNumbers'];

/** Where pictures are framed, one after the other, by hand or by keys. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  const job = useJob(jobId).data;
  const tickets = useTickets(jobId).data;
  const ticket = useActiveTicket(jobId);
  const originalsOfJob = useOriginals(jobId);
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', ticket?.document, ticket?.id)).data;
  const framings = useFramings({ jobId, shape: estimate?.shapeKey, ticketId: ticket?.id });
  const [guide, setGuide] = useState<Guide>('none');
  const [snaps, setSnaps] = useState(true);
  const [loupe, setLoupe] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const [ownOpen, setOwnOpen] = useState(false);
  const [carrying, setCarrying] = useState(false);
  const navigate = useNavigate();
  const { message } = App.useApp();

  const only = (useLocation().state as { only?: string[] } | null)?.only;
  const originals = useMemo(() => {
    const wanted = only ? new Set(only) : undefined;
    return (originalsOfJob.data ?? []).filter(
      (original) => isForPieces(original) && !original.leftOut && (!wanted || wanted.has(original.id)),
    );
  }, [originalsOfJob.data, only]);
  const estimateById = useMemo(
    () => new Map(estimate?.pictures.map((picture) => [picture.originalId, picture])),
    [estimate],
  );
  const { at, original, ahead, go } = useInTurn(originals);
  const { edit, of, overrideOf } = framings;

  const hand = useHand((words, originalId, framing) => edit(words, [{ originalId, framing }]));
  const { of: inHand, rest } = hand;
  const latest = useCallback((id: string) => inHand(id) ?? of(id), [inHand, of]);
  const framing = original ? latest(original.id) : centred;
  const document = ticket?.document;
  const override = original && overrideOf(original.id);
  const subject = useMemo<Subject | undefined>(
    () =>
      original && document && override && framings.isLoaded
        ? { originalId: original.id, ticket: document, override }
        : undefined,
    [original, document, override, framings.isLoaded],
  );
  const { planned, error, ask } = usePlanned(subject, framing);

  // The next picture and its plan are here before they are asked for.
  const next = originals[at + 1];
  const nextOverride = next && overrideOf(next.id);
  const nextSubject = useMemo<Subject | undefined>(
    () =>
      next && document && nextOverride && framings.isLoaded
        ? { originalId: next.id, ticket: document, override: nextOverride }
        : undefined,
    [next, document, nextOverride, framings.isLoaded],
  );
  usePlanAhead(nextSubject, next ? of(next.id) : centred);
  useEffect(() => {
    if (!next) return;
    const image = new Image();
    image.src = smallPicture(next, 1800);
    image.decode().catch(() => undefined);
  }, [next]);

  const level = useLevelLine(original?.id, latest, (originalId, levelled) => {
    hand.rest();
    edit('levelled', [{ originalId, framing: levelled }]);
  });

  const goTo = (ids: string[]) => {
    if (ids.includes(originals[ahead.current]?.id ?? '')) return;
    const to = originals.findIndex(({ id }) => ids.includes(id));
    if (to >= 0) go(to);
  };
  const step = (which: 'undo' | 'redo') => {
    hand.rest();
    framings.step(which, goTo);
  };
  const acceptAndNext = () => {
    const accepted = originals[ahead.current];
    if (!accepted) return;
    hand.rest();
    edit('accepted', [{ originalId: accepted.id, accepted: true }]);
    if (ahead.current + 1 < originals.length) {
      go(ahead.current + 1);
    } else {
      void message.success('That was the last picture. The run can start.');
    }
  };
  const onGo = useCallback(
    (to: number) => {
      rest();
      go(to);
    },
    [go, rest],
  );

  /** Changes this picture under the hand: a held key is one edit. */
  const change = (words: string, by: (framing: Framing, plan: Plan) => Framing) => {
    // A key that comes before the page has followed is meant for a picture that is not here yet.
    if (!original || !planned || ahead.current !== at) return;
    hand.show(words, original.id, by(latest(original.id), planned.plan));
  };
  const nudge = (x: number, y: number, far: boolean) =>
    change('moved', (before, { limits, frame, realPpi }) => {
      const seen = ((far ? 5 : 1) / MM_PER_INCH) * realPpi;
      const start = held(before, limits);
      // The picture goes with the arrow; in the free shape the frame does.
      const sign = document?.size.kind === 'free' ? 1 : -1;
      return held(
        movedInSeen(start, {
          x: frame.travelX === 0 ? 0 : (sign * x * seen) / frame.travelX,
          y: frame.travelY === 0 ? 0 : (sign * y * seen) / frame.travelY,
        }),
        limits,
      );
    });
  const isLoose = document?.size.kind !== 'free' && document?.fit.kind !== 'scale';
  const tighten = (words: string, factor: number) => {
    if (isLoose) change(words, (before, { limits }) => held(tighter(before, factor), limits));
  };
  const commands: Record<BenchCommand, (far: boolean) => void> = {
    accept: acceptAndNext,
    back: () => onGo(ahead.current - 1),
    left: (far) => nudge(-1, 0, far),
    right: (far) => nudge(1, 0, far),
    up: (far) => nudge(0, -1, far),
    down: (far) => nudge(0, 1, far),
    looser: () => tighten('loosened', 1 / TIGHTEN),
    tighter: () => tighten('tightened', TIGHTEN),
    'tilt-back': (far) => change('tilted', (before) => tilted(before, far ? -1 : -0.1)),
    'tilt-on': (far) => change('tilted', (before) => tilted(before, far ? 1 : 0.1)),
    'turn-sheet': () => change('turned the sheet', (before, { width, height }) => turned(before, width > height)),
    quarter: () => change('turned by a quarter', (before) => quarterTurned(before, 1)),
    'quarter-back': () => change('turned back by a quarter', (before) => quarterTurned(before, -1)),
    mirror: () => change('mirrored', mirrored),
    level: level.toggle,
    corners: () => document?.fit.kind !== 'scale' && change('changed the corners', nextCorners),
    guide: () => setGuide(guides[(guides.indexOf(guide) + 1) % guides.length]!),
    snap: () => setSnaps(!snaps),
    loupe: () => setLoupe(!loupe),
    own: () => setOwnOpen(true),
    carry: () => {
      hand.rest();
      setCarrying(true);
    },
    again: () => change('started again', () => centred),
    undo: () => step('undo'),
    redo: () => step('redo'),
    keys: () => setKeysOpen(true),
  };

  // The same function for every drawing of the page: what is told of the tools only changes when they do.
  const newestCommands = useRef(commands);
  newestCommands.current = commands;
  const onCommand = useCallback((wanted: BenchCommand) => newestCommands.current[wanted](false), []);
  const originalId = original?.id;
  const onOwn = useCallback(
    (words: string, after: Override) => originalId && edit(words, [{ originalId, override: after }]),
    [edit, originalId],
  );
  const ticketId = ticket?.id;
  const head = useMemo(
    () =>
      tickets && tickets.length > 1 ? (
        <Select
          className="column-ticket"
          aria-label="Ticket"
          value={ticketId}
          onChange={(id) => {
            rest();
            activate(jobId, id);
          }}
          options={tickets.map(({ id, document: { name } }) => ({ value: id, label: name }))}
        />
      ) : null,
    [tickets, ticketId, jobId, rest],
  );

  useKeys((event, target) => {
    if (event.key === 'Escape' && level.level) return level.putAway();
    if (event.key === 'Tab' && level.level === 'to-draw' && planned) {
      return level.lay(planned.plan.frame.seenWidth, planned.plan.frame.seenHeight);
    }
    const wanted = commandOf(event);
    if (!wanted || (event.key === 'Enter' && target.closest('button, a'))) return;
    event.preventDefault();
    if (event.repeat && !repeats.has(wanted)) return;
    commands[wanted](event.shiftKey);
  });

  if (originalsOfJob.isPending || !ticket) return <Loading what="the pictures" />;
  if (originalsOfJob.isError) return <Failed error={originalsOfJob.error} again={() => void originalsOfJob.refetch()} />;
  if (!original) {
    return (
      <Empty title="There is no picture to frame">
        <Button onClick={() => void navigate(`/jobs/${jobId}/pile`)}>Go to the pile</Button>
      </Empty>
    );
  }
  return (
    <main className="bench">
      <PictureColumn
        originals={originals}
        estimate={estimateById}
        at={at}
        isAccepted={framings.isAccepted}
        overrideOf={overrideOf}
        onGo={onGo}
        head={head}
      />
      <div className="bench-main">
        {planned ? (
          <Stage
            original={original}
            planned={planned}
            framing={framing}
            current={() => latest(original.id)}
            guide={guide}
            snaps={snaps}
            loupe={loupe}
            level={level.level}
            onLevelDraw={level.draw}
            onLevelDrawn={(line) => void level.drawn(line)}
            onMove={ask}
            onMoved={(words, after) => {
              hand.show(words, original.id, after);
              hand.rest();
            }}
            onWheel={(words, after) => hand.show(words, original.id, after)}
          />
        ) : (
          <div className="bench-stage bench-wait">{error ? <Failed error={error} /> : <Loading what="the plan" />}</div>
        )}
        <BenchTools
          framing={framing}
          ticket={ticket.document}
          override={override!}
          guide={guide}
          snaps={snaps}
          loupe={loupe}
          levelling={level.level !== undefined}
          ownOpen={ownOpen}
          undoes={framings.undoes}
          redoes={framings.redoes}
          onCommand={onCommand}
          onOwnOpen={setOwnOpen}
          onOwn={onOwn}
        />
        {planned && <FiguresBar
            plan={planned.plan}
            ticket={ticket.document}
            original={original}
            near={<NearFigure planned={planned} />}
          />}
      </div>
      {keysOpen && <KeySheet onClose={() => setKeysOpen(false)} />}
      {carrying && (
        <Suspense fallback={null}>
        <CarryDrawer
          from={original}
          originals={originals}
          ticketId={ticket.id}
          isAccepted={framings.isAccepted}
          onClose={() => setCarrying(false)}
          onCarry={edit}
        />
        </Suspense>
      )}
    </main>
  );
}
