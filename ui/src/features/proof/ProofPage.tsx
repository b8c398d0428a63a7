import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Problem } from '../../api/problems';
import { decimals } from '../../shared/format';
import { KeySheet } from '../../shared/KeySheet';
import { Empty, Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { PictureColumn, useFramings } from '../framing';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { gamutLossQuery, useProfiles } from '../profiles';
import {
  middleOf,
  reducedSheet,
  regionRound,
  shownAt,
  type Look,
  type ProofPart,
  type ProofScale,
  type Region,
  type Size,
} from '../pixels';
import { estimateQuery, keepOnTicket, useActiveTicket } from '../ticket';
import { DisplayRuler } from './DisplayRuler';
import { ASSUMED_PPI, useDisplayPpi } from './displayPpi';
import { keyLines } from './keys';
import { ProofFigures } from './ProofFigures';
import { ProofLines } from './ProofLines';
import { ProofStage, type Against } from './ProofStage';
import { Intents } from './Intents';
import { contoursQuery } from './queries';
import { scales, ShownTools } from './ShownTools';
import { SheetMap } from './SheetMap';
import { Trial, type Tried } from './Trial';
import { useCompared, type Beside } from './useCompared';
import { useProofed } from './useProofed';
import '../../shared/desk.css';
import '../../shared/lines.css';
import '../../shared/verdict.css';
import '../../shared/field.css';
import './proof.css';

const besideNames: Record<Beside, string> = {
  ORIGINAL: "the original's own pixels",
  UNSHARPENED: 'not sharpened',
  TICKET: 'as on the ticket',
  COLOURS: "the picture's own colours",
};

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
  const [keysOpen, setKeysOpen] = useState(false);
  const displayPpi = useDisplayPpi();

  const originals = useMemo(
    () => (originalsOfJob.data ?? []).filter((original) => original.forPieces && !original.leftOut),
    [originalsOfJob.data],
  );
  const estimateById = useMemo(() => new Map(estimate?.pictures.map((one) => [one.originalId, one])), [estimate]);
  const { at, original, ahead, go } = useInTurn(originals);

  const document = ticket?.document;
  const override = original && framings.overrideOf(original.id);
  const framing = original && framings.isLoaded ? framings.of(original.id) : undefined;
  const isTrying = Object.values(tried).some((one) => one !== undefined);
  const { ordered, subject, planning, plan } = useProofed({ original, document, override, framing, tried });

  const shown = useMemo(
    () =>
      plan && view
        ? shownAt(scale, plan, view, plan.markedPpi, (displayPpi ?? ASSUMED_PPI) * devicePixelRatio)
        : undefined,
    [plan, view, scale, displayPpi],
  );
  // A proof opens where a picture has its strongest contour, not on an empty sky.
  const strongest = useQuery({
    ...contoursQuery(subject),
    enabled: subject !== undefined && scale !== 'whole',
    // What is tried on the same picture does not move the part that is looked at.
    placeholderData: (before, query) => (query?.queryKey[1] === original?.id ? before : undefined),
  });
  const opened = strongest.data?.[0] && { ...strongest.data[0], contour: 0 };
  const middle = moved?.originalId === original?.id ? moved : opened;
  const isPlaced = middle !== undefined || scale === 'whole' || strongest.isError || strongest.data?.length === 0;
  const part = useMemo<ProofPart | undefined>(() => {
    if (!plan || !view || !shown || !isPlaced) return undefined;
    const reduction = shown.reduction ?? 1;
    const sheet = reducedSheet(plan, shown.reduction);
    const centre = { x: middle?.x ?? plan.width / 2, y: middle?.y ?? plan.height / 2 };
    const room = { width: view.width / shown.magnify, height: view.height / shown.magnify };
    return {
      region: regionRound({ x: centre.x / reduction, y: centre.y / reduction }, room, sheet),
      show: 'FILE',
      look,
      reduction: shown.reduction,
    };
  }, [plan, view, shown, isPlaced, middle?.x, middle?.y, look]);
  const isSharpened = plan?.sharpening !== undefined && plan.sharpening !== null;
  const compared: Beside = (beside === 'UNSHARPENED' && !isSharpened) || (beside === 'TICKET' && !isTrying) ? 'ORIGINAL' : beside;
  const colour = subject?.ticket.colour;
  const converts = colour?.kind === 'convert' ? colour : undefined;
  // Only a print has colours that cannot be printed: nothing is said of them where the output is a screen's space.
  const profiles = useProfiles();
  const target = profiles.find(({ digest }) => digest === converts?.profile.digest);
  // While the profiles are on their way nothing is reckoned; one that was deleted since may have been a print's.
  const isPrint = converts !== undefined && profiles.length > 0 && (target?.purpose ?? 'OUTPUT') === 'OUTPUT';
  const { before, after, marks } = useCompared({ ordered, subject, part, compared, isMarked: marked && isPrint });
  const loss = useQuery({
    ...gamutLossQuery(original, subject?.ticket, subject?.framing),
    enabled: original !== undefined && subject !== undefined && isPrint,
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
      '?': () => setKeysOpen(true),
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
            marks={marked && isPrint && marks?.originalId === original.id ? marks : undefined}
            afterName={isTrying ? 'as it is tried' : 'as the file will be'}
            region={part?.region}
            magnify={shown?.magnify ?? 1}
            against={against}
            wipe={wipe}
            onWipe={setWipe}
            onView={onView}
            lines={lines && plan && <ProofLines edges={plan.edges} reduction={part?.reduction ?? 1} />}
            onPan={pan}
          >
            {plan && subject && part && scale !== 'whole' && (
              <SheetMap
                subject={subject}
                sheet={plan}
                look={look}
                region={scaled(part.region, part.reduction ?? 1)}
                onMiddle={setMiddle}
              />
            )}
          </ProofStage>
        )}
        <ShownTools
          scale={scale}
          against={against}
          compared={compared}
          isSharpened={isSharpened}
          isTrying={isTrying}
          lines={lines}
          onScale={setScale}
          onAgainst={hold}
          onBeside={setBeside}
          onFlip={flip}
          onLines={() => setLines(!lines)}
          onContour={() => void nextContour()}
          onNext={() => go(ahead.current + 1)}
          onKeys={() => setKeysOpen(true)}
        />
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
          <button type="button" className="tool" aria-pressed={marked} disabled={!isPrint} title={isPrint ? undefined : 'The output is no print'} onClick={() => setMarked(!marked)}>
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
        {plan && part && <ProofFigures plan={plan} part={part} contour={scale === 'whole' ? undefined : middle?.contour} loss={loss} halo={halo} />}
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
      {keysOpen && <KeySheet title="Keys of the proof" lines={keyLines} onClose={() => setKeysOpen(false)} />}
      <DisplayRuler key={String(ruler)} open={ruler} onClose={() => setRuler(false)} />
    </main>
  );
}

function scaled({ x, y, width, height }: Region, by: number): Region {
  return { x: x * by, y: y * by, width: width * by, height: height * by };
}
