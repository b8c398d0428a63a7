import { App, Select } from 'antd';
import { lazy, Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { useLocation, useParams } from 'react-router';
import { KeySheet } from '../../shared/KeySheet';
import { Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { centred, NoPicture, PictureColumn, usePicturesInTurn, type Override } from '../framing';
import { activate, useTickets } from '../ticket';
import { BenchTools } from './BenchTools';
import { FiguresBar } from './FiguresBar';
import { NearFigure } from './NearFigure';
import { guides, type Guide } from './Guides';
import { commandOf, keyLines, repeats, type BenchCommand } from './keys';
import { moveOf } from './moves';
import { Stage } from './Stage';
import { useHand } from './useHand';
import { BlurBar } from './BlurBar';
import { FoundBar } from './FoundBar';
import { useBlur } from './useBlur';
import { useFound } from './useFound';
import { FoldsBar } from './FoldsBar';
import { useFolds } from './useFolds';
import { SizeBar } from './SizeBar';
import { useTrueSize } from './useTrueSize';
import { useLevelLine } from './useLevelLine';
import { useNext } from './useNext';
import { usePlanned, type Subject } from './usePlanned';
import { Problem } from '../../api/problems';
import { ofOriented, seenOf } from './viewTransform';
import '../../shared/desk.css';
import './bench.css';

const CarryDrawer = lazy(() => import('../carry/dialog'));

/** Where pictures are framed, one after the other, by hand or by keys. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  const only = (useLocation().state as { only?: string[] } | null)?.only;
  const { ticket, ofJob, originals, estimateById, framings, at, original, ahead, go } = usePicturesInTurn(jobId, only);
  const tickets = useTickets(jobId).data;
  const [guide, setGuide] = useState<Guide>('none');
  const [snaps, setSnaps] = useState(true);
  const [loupe, setLoupe] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const [ownOpen, setOwnOpen] = useState(false);
  const [carrying, setCarrying] = useState(false);
  const { message } = App.useApp();

  const { edit, of, overrideOf } = framings;

  const hand = useHand((words, originalId, framing) => edit(words, [{ originalId, framing }]));
  const { of: inHand, rest } = hand;
  const latest = useCallback((id: string) => inHand(id) ?? of(id), [inHand, of]);
  const framing = original ? latest(original.id) : centred;
  const document = ticket?.document;
  const originalId = original?.id;
  const override = original && overrideOf(original.id);
  // By the picture's id: news of the picture itself (it is still being read) must not take the plan, and a key with it, away.
  const subject = useMemo<Subject | undefined>(
    () =>
      originalId && document && override && framings.isLoaded ? { originalId, ticket: document, override } : undefined,
    [originalId, document, override, framings.isLoaded],
  );
  const { planned, error, ask } = usePlanned(subject, framing);

  const next = originals[at + 1];
  useNext({
    original: next,
    document,
    override: next && framings.isLoaded ? overrideOf(next.id) : undefined,
    framing: next ? of(next.id) : centred,
  });

  const level = useLevelLine(original?.id, latest, (originalId, levelled) => {
    hand.rest();
    edit('levelled', [{ originalId, framing: levelled }]);
  });

  const offer = useFound(original?.id, document, latest, (words, originalId, taken) => {
    hand.rest();
    edit(words, [{ originalId, framing: taken }]);
  });
  const blur = useBlur(original?.id);
  /** Lays the mark in the middle of the frame; asked for again, the blur measured there is undone for this picture. */
  const pointAtEdge = () => {
    if (!original || !planned || !override) return;
    const { measured } = blur;
    if (!blur.mark) {
      const { centreX, centreY } = planned.framing;
      const seen = seenOf(planned);
      offer.putAway();
      return blur.point(ofOriented(seen, { x: centreX, y: centreY }), seen);
    }
    if (!measured || measured instanceof Problem || measured.radius === 0) return;
    edit('undid a blur', [
      {
        originalId: original.id,
        override: {
          ...override,
          sharpening: { kind: 'out-of-focus', strength: 50, radius: Math.max(0.3, measured.radius), grain: measured.grainPercent },
        },
      },
    ]);
    blur.putAway();
  };
  const folds = useFolds(original?.id, (originalId, cleared) => {
    hand.rest();
    edit('cleared the folds', [{ originalId, framing: cleared }]);
  });
  const line = document?.edges.kind === 'wrap' ? 'fold' : document?.edges.kind === 'bleed' ? 'trim' : undefined;
  const size = useTrueSize(original?.id);
  const movesPicture = planned?.plan.handling.moves !== 'NOTHING';
  /** The found line as one that a hand drew: its ends can be moved, and it levels when they are. */
  const moveFound = () => {
    const line = offer.found?.level;
    if (!line || !planned) return;
    const seen = seenOf(planned);
    offer.putAway();
    level.draw({ from: ofOriented(seen, line.from), to: ofOriented(seen, line.to) });
  };

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
  const move = (command: BenchCommand, far: boolean) => {
    // A key that comes before the page has followed is meant for a picture that is not here yet.
    if (!original || !planned || !document || ahead.current !== at) return;
    const wanted = moveOf(command, planned.plan.handling);
    if (!wanted) return;
    offer.putAway();
    folds.putAway();
    hand.show(wanted.words, original.id, wanted.by(latest(original.id), planned.plan, far));
  };
  const others: Partial<Record<BenchCommand, () => void>> = {
    accept: acceptAndNext,
    back: () => onGo(ahead.current - 1),
    level: () => {
      if (offer.looked === 'level' && offer.found?.level) return moveFound();
      offer.putAway();
      level.toggle();
    },
    border: () => movesPicture && offer.look('border'),
    'next-print': offer.next,
    size: () => planned && size.toggle(seenOf(planned)),
    folds: () => line && planned && movesPicture && folds.look(planned),
    blur: () => movesPicture && pointAtEdge(),
    'find-level': () => movesPicture && offer.look('level'),
    guide: () => setGuide(guides[(guides.indexOf(guide) + 1) % guides.length]!),
    snap: () => setSnaps(!snaps),
    loupe: () => setLoupe(!loupe),
    own: () => setOwnOpen(true),
    carry: () => {
      hand.rest();
      setCarrying(true);
    },
    undo: () => step('undo'),
    redo: () => step('redo'),
    keys: () => setKeysOpen(true),
  };
  const command = (wanted: BenchCommand, far: boolean) => (others[wanted] ?? (() => move(wanted, far)))();

  // The same function for every drawing of the page: what is told of the tools only changes when they do.
  const newest = useRef(command);
  newest.current = command;
  const onCommand = useCallback((wanted: BenchCommand) => newest.current(wanted, false), []);
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

  useKeys((event) => {
    if (event.key === 'Escape' && (offer.looked || offer.left)) return offer.putAway();
    if (event.key === 'Escape' && folds.looking) return folds.putAway();
    if (event.key === 'Escape' && size.line) return size.putAway();
    if (event.key === 'Escape' && blur.mark) return blur.putAway();
    if (event.key === 'Escape' && level.level) return level.putAway();
    if (event.key === 'Tab' && level.level === 'to-draw' && planned) {
      return level.lay(planned.plan.frame.seenWidth, planned.plan.frame.seenHeight);
    }
    const wanted = commandOf(event);
    if (!wanted) return;
    event.preventDefault();
    if (event.repeat && !repeats.has(wanted)) return;
    command(wanted, event.shiftKey);
  });

  if (!original || !ticket) {
    return <NoPicture jobId={jobId} ofJob={ofJob} hasTicket={ticket !== undefined} title="There is no picture to frame" />;
  }
  return (
    <main className="bench">
      <h1 className="visually-hidden">Bench</h1>
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
            mark={blur.mark}
            marksFolds={folds.looking}
            known={size.line}
            onKnown={size.draw}
            onPoint={(at) => blur.point(at, seenOf(planned))}
            offer={offer.looked && offer.found && { found: offer.found, looked: offer.looked, print: offer.print }}
            onMove={ask}
            onMoved={(words, after) => {
              offer.putAway();
              folds.putAway();
              hand.show(words, original.id, after);
              hand.rest();
            }}
            onWheel={(words, after) => hand.show(words, original.id, after)}
          />
        ) : (
          <div className="bench-stage bench-wait">{error ? <Failed error={error} /> : <Loading what="the plan" />}</div>
        )}
        <FoundBar jobId={jobId} originalId={original.id} offer={offer} onMove={moveFound} />
        {planned && (
          <SizeBar
            original={original}
            size={size}
            seen={seenOf(planned)}
            unit={ticket.document.unit}
            keepsPixels={ticket.document.size.kind === 'own'}
            onMark={(ppi) => edit('set the ppi for this picture', [{ originalId: original.id, override: { ...override!, ppi } }])}
          />
        )}
        {line && planned && <FoldsBar folds={folds} line={line} unit={ticket.document.unit} onTake={() => folds.look(planned)} />}
        <BlurBar blur={blur} onUndo={pointAtEdge} />
        <BenchTools
          framing={framing}
          ticket={ticket.document}
          override={override!}
          guide={guide}
          snaps={snaps}
          loupe={loupe}
          levelling={level.level !== undefined}
          looked={offer.looked}
          line={line}
          guarding={folds.looking}
          sizing={size.line !== undefined}
          pointing={blur.mark !== undefined}
          moves={planned?.plan.handling.moves}
          choosesCorners={planned?.plan.handling.corners !== 'TICKET'}
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
      {keysOpen && (
        <KeySheet title="Keys of the bench" lines={keyLines} onClose={() => setKeysOpen(false)}>
          The mouse: drag to move, wheel or two fingers to tighten. A line’s ends and a free frame’s sides are reached with
          Tab and moved with the arrow keys.
        </KeySheet>
      )}
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
