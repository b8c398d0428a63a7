import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Segmented, Select } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Problem } from '../../api/problems';
import { isForPieces } from '../../api/client';
import { decimals, pixels } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { useRested } from '../../shared/useRested';
import { centred, noOverride, PictureColumn, useFramings } from '../framing';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { gamutLossQuery } from '../profiles';
import {
  middleOf,
  reducedSheet,
  regionRound,
  shownAt,
  type Look,
  type ProofPart,
  type ProofScale,
  type ProofSubject,
  type Size,
} from '../pixels';
import { estimateQuery, keepOnTicket, planQuery, useActiveTicket } from '../ticket';
import { DisplayRuler } from './DisplayRuler';
import { ASSUMED_PPI, useDisplayPpi } from './displayPpi';
import { ProofLines } from './ProofLines';
import { ProofStage, type Against } from './ProofStage';
import { Intents } from './Intents';
import { contoursQuery, proofQuery, gamutCheckQuery } from './queries';
import { SheetMap } from './SheetMap';
import { Trial, type Tried } from './Trial';
import './proof.css';

/** A part of the sheet is asked for when it has stayed so long. */
const REST_MILLIS = 70;

/** What the file is compared with. */
type Beside = 'ORIGINAL' | 'UNSHARPENED' | 'TICKET' | 'COLOURS';

const besideNames: Record<Beside, string> = {
  ORIGINAL: "the original's own pixels",
  UNSHARPENED: 'not sharpened',
  TICKET: 'as on the ticket',
  COLOURS: "the picture's own colours",
};

const scales: { value: ProofScale; label: string }[] = [
  { value: 1, label: '1:1' },
  { value: 2, label: '2:1' },
  { value: 4, label: '4:1' },
  { value: 'true-size', label: 'true size' },
  { value: 'whole', label: 'whole' },
];

const NOTICED_HALO = 25;
/** Share of the picture from which what cannot be printed is worth a look. */
const NOTICED_LOSS = 0.05;
/** A picture in its own colours is not written; this file takes any of them. */
const TRIED_FILE = { kind: 'tiff', packing: 'PLAIN', depth: 'AS_ORIGINAL' } as const;

/** The output's own pixels, made by the code that makes the file, beside what they come from. */
export function ProofPage() {
  const { jobId = '' } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { message } = App.useApp();
  const job = useJob(jobId).data;
  const ticket = useActiveTicket(jobId);
  const originalsOfJob = useOriginals(jobId);
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', ticket?.document, ticket?.id)).data;
  const framings = useFramings({ jobId, shape: estimate?.shapeKey, ticketId: ticket?.id });
  const [view, setView] = useState<Size>();
  const [moved, setMoved] = useState<{ originalId: string; x: number; y: number; contour?: number }>();
  const [wipe, setWipe] = useState(0.5);
  const [beside, setBeside] = useState<Beside>('ORIGINAL');
  const [against, setAgainst] = useState<Against>('wipe');
  const [scale, setScale] = useState<ProofScale>(1);
  const [tried, setTried] = useState<Tried>({});
  const [ruler, setRuler] = useState(false);
  const [lines, setLines] = useState(true);
  const [look, setLook] = useState<Look>('WHITE');
  const [marked, setMarked] = useState(false);
  const [intents, setIntents] = useState(false);
  const displayPpi = useDisplayPpi();

  const originals = useMemo(
    () => (originalsOfJob.data ?? []).filter((original) => isForPieces(original) && !original.leftOut),
    [originalsOfJob.data],
  );
  const estimateById = useMemo(() => new Map(estimate?.pictures.map((one) => [one.originalId, one])), [estimate]);
  const { at, original, ahead, go } = useInTurn(originals);

  const document = ticket?.document;
  const override = original && framings.overrideOf(original.id);
  const framing = original && framings.isLoaded ? framings.of(original.id) : undefined;
  const asOrdered = useMemo<ProofSubject | undefined>(
    () =>
      original && document && override && framing
        ? { originalId: original.id, ticket: document, override, framing }
        : undefined,
    [original, document, override, framing],
  );
  const isTrying = Object.values(tried).some((one) => one !== undefined);
  // What is tried counts for this picture even where it has sharpening of its own.
  const subject = useMemo<ProofSubject | undefined>(
    () =>
      asOrdered && {
        ...asOrdered,
        ticket: { ...asOrdered.ticket, ...tried },
        override: tried.sharpening ? { ...asOrdered.override, sharpening: tried.sharpening } : asOrdered.override,
      },
    [asOrdered, tried],
  );
  const planning = useQuery({
    ...planQuery(subject?.originalId, subject?.ticket, subject?.framing ?? centred, subject?.override),
    enabled: subject !== undefined,
  });
  const plan = planning.data?.plan;

  const shown = useMemo(
    () =>
      plan && view
        ? shownAt(scale, plan, view, plan.markedPpi, (displayPpi ?? ASSUMED_PPI) * devicePixelRatio)
        : undefined,
    [plan, view, scale, displayPpi],
  );
  const middle = moved?.originalId === original?.id ? moved : undefined;
  const part = useMemo<ProofPart | undefined>(() => {
    if (!plan || !view || !shown) return undefined;
    const reduction = shown.reduction ?? 1;
    const sheet = reducedSheet(plan, shown.reduction);
    const centre = middle ?? { x: plan.width / 2, y: plan.height / 2 };
    const room = { width: view.width / shown.magnify, height: view.height / shown.magnify };
    return {
      region: regionRound({ x: centre.x / reduction, y: centre.y / reduction }, room, sheet),
      show: 'FILE',
      look,
      reduction: shown.reduction,
    };
  }, [plan, view, shown, middle, look]);
  const isSharpened = plan?.sharpening !== undefined && plan.sharpening !== null;
  const compared: Beside = (beside === 'UNSHARPENED' && !isSharpened) || (beside === 'TICKET' && !isTrying) ? 'ORIGINAL' : beside;
  // While keys or the hand move it, parts follow each other faster than they can be made.
  const asked = useRested(part, REST_MILLIS) ?? part;
  const after = useQuery(proofQuery(subject, asked));
  const inOwnColours = useMemo<ProofSubject | undefined>(
    () => subject && { ...subject, ticket: { ...subject.ticket, colour: { kind: 'keep' }, sharpening: { kind: 'none' }, file: TRIED_FILE },
      override: noOverride,
    },
    [subject],
  );
  const before = useQuery(
    proofQuery(
      { TICKET: asOrdered, COLOURS: inOwnColours, ORIGINAL: subject, UNSHARPENED: subject }[compared],
      asked && {
        ...asked,
        show: compared === 'TICKET' || compared === 'COLOURS' ? 'FILE' : compared,
        look: compared === 'COLOURS' ? 'WHITE' : asked.look,
      },
    ),
  );
  const colour = subject?.ticket.colour;
  const converts = colour?.kind === 'convert' ? colour : undefined;
  const marks = useQuery(gamutCheckQuery(marked && converts ? subject : undefined, asked)).data;
  const loss = useQuery({
    ...gamutLossQuery(original, subject?.ticket, subject?.framing),
    enabled: original !== undefined && subject !== undefined && converts !== undefined,
  }).data;
  const onView = useCallback((size: Size) => setView(size), []);

  const setMiddle = (to: { x: number; y: number; contour?: number } | undefined) =>
    setMoved(to && original ? { ...to, originalId: original.id } : undefined);
  const pan = (dx: number, dy: number) => {
    if (!part) return;
    const from = middleOf(part.region);
    const reduction = part.reduction ?? 1;
    setMiddle({ x: (from.x + dx) * reduction, y: (from.y + dy) * reduction });
  };
  const nextContour = async () => {
    if (!subject) return;
    try {
      const contours = await queries.fetchQuery(contoursQuery(subject));
      const next = ((middle?.contour ?? -1) + 1) % Math.max(1, contours.length);
      const spot = contours[next];
      if (spot) setMiddle({ x: spot.x, y: spot.y, contour: next });
      else void message.info('This picture has no contours.');
    } catch (failed) {
      void message.warning(Problem.from(failed).message);
    }
  };
  const flip = () => setWipe(wipe < 0.5 ? 1 : 0);
  const hold = (next: Against) => {
    setAgainst(next);
    setWipe(next === 'flick' ? 0 : 0.5);
  };
  const carryToTicket = async () => {
    if (!ticket) return;
    const [refusal] = await keepOnTicket(queries, ticket, tried, (text) => void message.warning(text, 8));
    if (refusal) {
      void message.warning(`${refusal.text} ${refusal.remedy}`);
    } else {
      setTried({});
      void message.success('The ticket has been changed.');
    }
  };
  const keepForThis = () => {
    if (!original || !override || !tried.sharpening) return;
    framings.edit('set sharpening for this picture', [
      { originalId: original.id, override: { ...override, sharpening: tried.sharpening } },
    ]);
    setTried({});
  };

  useKeys((event, target) => {
    if (event.ctrlKey || event.metaKey) return;
    const far = (event.shiftKey ? 400 : 80) / (shown?.magnify ?? 1);
    const commands: Record<string, () => void> = {
      ArrowLeft: () => pan(-far, 0),
      ArrowRight: () => pan(far, 0),
      ArrowUp: () => pan(0, -far),
      ArrowDown: () => pan(0, far),
      Enter: () => go(ahead.current + 1),
      Backspace: () => go(ahead.current - 1),
      x: flip,
      j: () => void nextContour(),
      l: () => setLines(!lines),
      m: () => setMarked(!marked),
      p: () => setLook(look === 'PAPER' ? 'WHITE' : 'PAPER'),
      k: () => {
        const here = scales.findIndex(({ value }) => value === scale);
        setScale(scales[(here + 1) % scales.length]!.value);
      },
      0: () => {
        setMiddle(undefined);
        setWipe(against === 'flick' ? 0 : 0.5);
      },
    };
    const command = commands[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!command || (event.key === 'Enter' && target.closest('button, a'))) return;
    event.preventDefault();
    if (!event.repeat || event.key.startsWith('Arrow')) command();
  });

  if (originalsOfJob.isPending || !ticket) return <Loading what="the pictures" />;
  if (originalsOfJob.isError) return <Failed error={originalsOfJob.error} again={() => void originalsOfJob.refetch()} />;
  if (!original) {
    return (
      <Empty title="There is no picture to proof">
        <Button onClick={() => void navigate(`/jobs/${jobId}/pile`)}>Go to the pile</Button>
      </Empty>
    );
  }
  const refusal = planning.data?.problems[0];
  const refused = refusal ? Problem.of({ code: refusal.code, problems: [refusal] }, 422) : null;
  const failed = planning.error ?? after.error ?? before.error ?? refused;
  const halo = after.data?.originalId === original.id ? after.data.halo : null;
  const isExact = [after, before].every(({ data, isPlaceholderData }) => data && !isPlaceholderData);
  return (
    <main className="bench">
      <PictureColumn
        originals={originals}
        estimate={estimateById}
        at={at}
        isAccepted={framings.isAccepted}
        overrideOf={framings.overrideOf}
        onGo={go}
      />
      <div className="bench-main">
        {failed ? (
          <div className="proof-stage">
            <Failed error={failed} again={() => void after.refetch()} />
          </div>
        ) : (
          <ProofStage
            before={before.data?.originalId === original.id ? before.data : undefined}
            after={after.data?.originalId === original.id ? after.data : undefined}
            beforeName={besideNames[compared]}
            marks={marked && converts && marks?.originalId === original.id ? marks : undefined}
            afterName={isTrying ? 'as it is tried' : 'as the file will be'}
            region={part?.region}
            magnify={shown?.magnify ?? 1}
            against={against}
            wipe={wipe}
            onWipe={setWipe}
            onView={onView}
            lines={lines && plan && <ProofLines edges={plan.edges} reduction={part?.reduction ?? 1} />}
            onPan={pan}
          />
        )}
        <div className="bench-buttons" role="toolbar" aria-label="How it is shown">
          <Segmented<ProofScale> aria-label="Scale" value={scale} onChange={setScale} options={scales} />
          <Segmented<Against>
            aria-label="Compare by"
            value={against}
            onChange={hold}
            options={[
              { value: 'wipe', label: 'wipe' },
              { value: 'beside', label: 'side by side' },
              { value: 'flick', label: 'in turn' },
            ]}
          />
          <Select<Beside>
            aria-label="Compare with"
            value={compared}
            onChange={setBeside}
            popupMatchSelectWidth={false}
            options={[
              { value: 'ORIGINAL', label: 'the original' },
              { value: 'UNSHARPENED', label: 'not sharpened', disabled: !isSharpened },
              { value: 'TICKET', label: 'as on the ticket', disabled: !isTrying },
              { value: 'COLOURS', label: 'its own colours' },
            ]}
          />
          <button type="button" className="tool" onClick={flip} disabled={against === 'beside'}>
            <kbd>X</kbd> before, after
          </button>
          <button type="button" className="tool" aria-pressed={lines} onClick={() => setLines(!lines)}>
            <kbd>L</kbd> lines
          </button>
          <button type="button" className="tool" onClick={() => void nextContour()}>
            <kbd>J</kbd> next contour
          </button>
          <button type="button" className="tool" onClick={() => go(ahead.current + 1)}>
            <kbd>Enter</kbd> next picture
          </button>
        </div>
        <div className="bench-buttons" role="toolbar" aria-label="Method, sharpening and colours">
          <Trial
            document={{ ...ticket.document, sharpening: override?.sharpening ?? ticket.document.sharpening }}
            tried={tried}
            used={plan?.resampling.keepsPixels ? undefined : plan?.resampling.method}
            onTry={setTried}
          />
          {converts && plan && <Button onClick={() => setIntents(true)}>Intents side by side</Button>}
          <button type="button" className="tool" aria-pressed={look === 'PAPER'} onClick={() => setLook(look === 'PAPER' ? 'WHITE' : 'PAPER')}>
            <kbd>P</kbd> soft proof on paper
          </button>
          <button type="button" className="tool" aria-pressed={marked} disabled={!converts} onClick={() => setMarked(!marked)}>
            <kbd>M</kbd> gamut check
          </button>
          {isTrying && (
            <>
              <Button type="primary" onClick={() => void carryToTicket()}>
                Use on the ticket
              </Button>
              {tried.sharpening && <Button onClick={keepForThis}>Only this picture</Button>}
              <Button onClick={() => setTried({})}>Discard</Button>
            </>
          )}
          <span className="figures-gap" />
          <span className="quiet proof-busy" role="status">
            {isExact ? '' : 'rendering'}
          </span>
          {scale === 'true-size' && (
            <Button onClick={() => setRuler(true)}>
              {displayPpi ? `${decimals(displayPpi, 1)} pixels per inch of display` : 'Measure this display'}
            </Button>
          )}
        </div>
        {plan && part && (
          <div className="figures">
            <SheetMap
              sheet={reducedSheet(plan, part.reduction)}
              region={part.region}
              onMiddle={({ x, y }) => setMiddle({ x: x * (part.reduction ?? 1), y: y * (part.reduction ?? 1) })}
            />
            <Figure label={plan.edges.rim === 'TRIM' && plan.edges.bands.top === 0 ? 'the sheet' : 'the total'} value={`${pixels(plan.width, plan.height)} px`} />
            <Figure
              label={part.reduction === null ? 'shown, pixel for pixel' : `scaled, ${decimals(part.reduction, 2)} pixels to one`}
              value={`${pixels(part.region.width, part.region.height)} at ${part.region.x}, ${part.region.y}`}
            />
            {middle?.contour !== undefined && <Figure label="contour" value={`${middle.contour + 1}`} />}
            {loss && (
              <Figure
                label={`out of gamut, mean ΔE00 ${decimals(loss.meanDifference, 1)}`}
                value={`${decimals(loss.unprintableShare * 100, 1)} %`}
                {...(loss.unprintableShare > NOTICED_LOSS && { warning: '◆ of the picture' })}
              />
            )}
            {halo !== null && (
              <Figure
                label={part.reduction === null ? 'halo in this part' : 'halo, scaled'}
                value={`${decimals(halo, 0)} %`}
                {...(halo > NOTICED_HALO && { warning: '◆ visible halos' })}
              />
            )}
          </div>
        )}
      </div>
      {intents && subject && converts && plan && (
        <Intents
          original={original}
          subject={subject}
          colour={converts}
          sheet={plan}
          look={look}
          onTry={(next) => setTried({ ...tried, colour: next })}
          onClose={() => setIntents(false)}
        />
      )}
      <DisplayRuler key={String(ruler)} open={ruler} onClose={() => setRuler(false)} />
    </main>
  );
}

function Figure({ label, value, warning }: { label: string; value: string; warning?: string }) {
  return (
    <span className="proof-figure">
      <span className="quiet">{label}</span>
      <strong>{value}</strong>
      {warning && <span className="halo-noticed">{warning}</span>}
    </span>
  );
}
