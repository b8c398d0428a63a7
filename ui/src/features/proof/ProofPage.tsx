import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useCallback, useState } from 'react';
import { useParams } from 'react-router';
import { Problem } from '../../api/problems';
import { KeySheet } from '../../shared/KeySheet';
import { SheetLines } from '../../shared/SheetLines';
import { Failed } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { NoPicture, PictureColumn, usePicturesInTurn } from '../framing';
import { gamutLossQuery, useProfiles } from '../profiles';
import type { Look, ProofScale, Region, Size } from '../pixels';
import { DisplayRuler } from './DisplayRuler';
import { GrowingStage } from './GrowingStage';
import { GrownBar } from './GrownBar';
import { useDisplayPpi } from './displayPpi';
import { keyLines } from './keys';
import type { Overlay } from './queries';
import { ProofFigures } from './ProofFigures';
import { ProofStage, type Against } from './ProofStage';
import { Intents } from './Intents';
import { scales, ShownTools } from './ShownTools';
import { SheetMap } from './SheetMap';
import { SpacedProof } from './SpacedProof';
import { Trial } from './Trial';
import { TrialStrip } from './TrialStrip';
import { useBackground, useNotGrown } from './useBackground';
import { useCompared, type Beside } from './useCompared';
import { useProofed } from './useProofed';
import { useShownPart } from './useShownPart';
import { useTried } from './useTried';
import '../../shared/desk.css';
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
  const queries = useQueryClient();
  const { ticket, ofJob, originals, estimateById, framings, at, original, ahead, go } = usePicturesInTurn(jobId);
  const [view, setView] = useState<Size>();
  const [wipe, setWipe] = useState(0.5);
  const [beside, setBeside] = useState<Beside>('ORIGINAL');
  const [against, setAgainst] = useState<Against>('wipe');
  const [chosenScale, setScale] = useState<ProofScale>();
  const [ruler, setRuler] = useState(false);
  const [lines, setLines] = useState(true);
  const [look, setLook] = useState<Look>('WHITE');
  const [overlaid, setOverlay] = useState<Overlay>();
  const [intents, setIntents] = useState(false);
  const [strip, setStrip] = useState(false);
  const [space, setSpace] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const [weak, setWeak] = useState(false);
  const displayPpi = useDisplayPpi();

  const document = ticket?.document;
  const override = original && framings.overrideOf(original.id);
  const framing = original && framings.isLoaded ? framings.of(original.id) : undefined;
  const { tried, isTrying, setTried, keepOnItsTicket, keepForThis } = useTried({ ticket, original, override, edit: framings.edit });
  const { ordered, subject, planning, plan } = useProofed({ original, document, override, framing, tried });

  // A background is looked at all round; else a proof opens pixel for pixel.
  const scale = chosenScale ?? (plan?.grows ? 'whole' : 1);
  const { shown, part, middle, pan, setMiddle, nextContour } = useShownPart({ original, subject, plan, view, scale, look, displayPpi });
  const isSharpened = plan?.sharpening !== undefined && plan.sharpening !== null;
  const compared: Beside = (beside === 'UNSHARPENED' && !isSharpened) || (beside === 'TICKET' && !isTrying) ? 'ORIGINAL' : beside;
  const colour = subject?.ticket.colour;
  const converts = colour?.kind === 'convert' ? colour : undefined;
  // Only a print has colours that cannot be printed: nothing is said of them where the output is a screen's space.
  const profiles = useProfiles();
  const target = profiles.find(({ digest }) => digest === converts?.profile.digest);
  // While the profiles are on their way nothing is reckoned; one that was deleted since may have been a print's.
  const isPrint = converts !== undefined && profiles.length > 0 && (target?.purpose ?? 'OUTPUT') === 'OUTPUT';
  const learns = plan?.resampling.keepsPixels === false && plan.resampling.method.startsWith('LEARNED');
  const overlay = (overlaid === 'unprintable' && isPrint) || (overlaid === 'learned' && learns) ? overlaid : undefined;
  const toggle = (wanted: Overlay) => setOverlay(overlaid === wanted ? undefined : wanted);
  const grows = plan?.grows ?? false;
  const following = originals[at + 1];
  const next =
    following && document && framings.isLoaded
      ? { originalId: following.id, ticket: document, override: framings.overrideOf(following.id), framing: framings.of(following.id) }
      : undefined;
  const background = useBackground({ subject, next, grows, isMapWanted: weak, edit: framings.edit });
  const plain = useNotGrown(subject, grows);
  const plainOrdered = useNotGrown(ordered, grows);
  const weakPlaces = useObjectUrl(weak ? background.weakPlaces : undefined);
  const { before, after, marks, isExact } = useCompared({
    ordered: plainOrdered,
    subject: background.isReady ? subject : undefined,
    plain,
    part,
    compared,
    overlay,
  });
  const loss = useQuery({
    ...gamutLossQuery(original, subject?.ticket, subject?.framing),
    enabled: original !== undefined && subject !== undefined && isPrint,
  }).data;
  const onView = useCallback((size: Size) => setView(size), []);

  const isWrap = plan?.edges.rim === 'FOLD';
  const isSpaced = space && isWrap && subject !== undefined && background.isReady;
  const flip = () => setWipe(wipe < 0.5 ? 1 : 0);
  const hold = (next: Against) => {
    setAgainst(next);
    setWipe(next === 'inTurn' ? 0 : 0.5);
  };
  useKeys((event) => {
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
      v: () => isWrap && setSpace(!space),
      m: () => toggle('unprintable'),
      d: () => learns && toggle('learned'),
      p: () => setLook(look === 'PAPER' ? 'WHITE' : 'PAPER'),
      k: () => {
        const here = scales.findIndex(({ value }) => value === scale);
        setScale(scales[(here + 1) % scales.length]!.value);
      },
      a: () => background.isReady && !background.isAccepted && background.accept(),
      w: () => grows && setWeak(!weak),
      t: () => grows && background.isReady && background.tryAgain(),
      '?': () => setKeysOpen(true),
      0: () => {
        setMiddle(undefined);
        setWipe(against === 'inTurn' ? 0 : 0.5);
      },
    };
    const command = commands[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!command) return;
    event.preventDefault();
    if (!event.repeat || event.key.startsWith('Arrow')) command();
  });

  if (!original || !ticket) {
    return <NoPicture jobId={jobId} ofJob={ofJob} hasTicket={ticket !== undefined} title="There is no picture to proof" />;
  }
  const refusal = planning.data?.problems[0];
  const refused = refusal ? Problem.of({ code: refusal.code, problems: [refusal] }, 422) : null;
  const failed = planning.error ?? background.error ?? after.error ?? before.error ?? (overlay ? marks.error : null) ?? refused;
  const halo = after.data?.originalId === original.id ? after.data.halo : null;
  return (
    <main className="bench">
      <h1 className="visually-hidden">Proof</h1>
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
            <Failed error={failed} again={() => void queries.refetchQueries({ queryKey: ['proof'], type: 'active' })} />
          </div>
        ) : plan && !background.isReady ? (
          <GrowingStage view={background.view} subject={plain} plan={plan} look={look} />
        ) : isSpaced ? (
          <SpacedProof subject={subject} plan={plan} look={look} unit={ticket.document.unit} />
        ) : (
          <ProofStage
            before={before.data?.originalId === original.id ? before.data : undefined}
            after={after.data?.originalId === original.id ? after.data : undefined}
            beforeName={besideNames[compared]}
            marks={overlay && marks.data?.originalId === original.id ? marks.data : undefined}
            afterName={`${isTrying ? 'as it is tried' : 'as the file will be'}${overlay === 'learned' ? ' · tinted: learned · striped: held back' : ''}`}
            region={part?.region}
            magnify={shown?.magnify ?? 1}
            against={against}
            wipe={wipe}
            onWipe={setWipe}
            onView={onView}
            lines={
              plan && (
                <>
                  {lines && <SheetLines edges={plan.edges} scale={1 / (part?.reduction ?? 1)} on="picture" />}
                  {weakPlaces && (
                    <image
                      href={weakPlaces}
                      width={plan.width / (part?.reduction ?? 1)}
                      height={plan.height / (part?.reduction ?? 1)}
                      preserveAspectRatio="none"
                    />
                  )}
                </>
              )
            }
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
            <span className="proof-busy" role="status">
              {isExact ? '' : 'rendering'}
            </span>
          </ProofStage>
        )}
        {isTrying && (
          <div className="proof-trying" role="toolbar" aria-label="What is tried">
            <Button type="primary" onClick={() => void keepOnItsTicket()}>
              Use on the ticket
            </Button>
            {tried.sharpening && <Button onClick={keepForThis}>Only this picture</Button>}
            <Button onClick={() => setTried({})}>Discard</Button>
          </div>
        )}
        <GrownBar background={background} isMapShown={weak} onMap={() => setWeak(!weak)} />
        <ShownTools
          scale={scale}
          against={against}
          compared={compared}
          isSharpened={isSharpened}
          isTrying={isTrying}
          lines={lines}
          isOnPaper={look === 'PAPER'}
          overlay={overlaid}
          isPrint={isPrint}
          learns={learns}
          isWrap={isWrap}
          space={space}
          displayPpi={displayPpi}
          onScale={setScale}
          onAgainst={hold}
          onBeside={setBeside}
          onFlip={flip}
          onLines={() => setLines(!lines)}
          onContour={() => void nextContour()}
          onPaper={() => setLook(look === 'PAPER' ? 'WHITE' : 'PAPER')}
          onOverlay={toggle}
          onSpace={() => setSpace(!space)}
          onMeasure={() => setRuler(true)}
          onKeys={() => setKeysOpen(true)}
        >
          {plan && subject && <Button onClick={() => setStrip(true)}>Trial strip</Button>}
          {converts && plan && <Button onClick={() => setIntents(true)}>Intents side by side</Button>}
        </ShownTools>
        <div className="figures">
          {plan && part && !isSpaced && (
            <ProofFigures plan={plan} part={part} contour={scale === 'whole' ? undefined : middle?.contour} loss={loss} halo={halo} />
          )}
          <div className="proof-trial" role="toolbar" aria-label="Method, sharpening and colours">
            <Trial
              document={{ ...ticket.document, sharpening: override?.sharpening ?? ticket.document.sharpening }}
              tried={tried}
              used={plan?.resampling.keepsPixels ? undefined : plan?.resampling.method}
              onTry={setTried}
            />
          </div>
        </div>
      </div>
      {strip && plan && plain && (
        <TrialStrip
          subject={plain}
          plan={plan}
          look={look}
          onTry={(chosen) => {
            setTried({ ...tried, ...chosen });
            setStrip(false);
          }}
          onClose={() => setStrip(false)}
        />
      )}
      {intents && plain && converts && plan && (
        <Intents
          original={original}
          subject={plain}
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
