import { useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { Problem } from '../../api/problems';
import { decimals, pixels } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { BenchPile, framingsQuery } from '../bench';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { liftWords, methodNames, outlookQuery, useActiveTicket } from '../ticket';
import { ProofStage } from './ProofStage';
import { proofQuery, sheetQuery, type Show, type Subject } from './queries';
import { middleOf, regionRound, type Size } from './region';
import { SheetMap } from './SheetMap';
import './proof.css';

const besides: { value: Show; label: string; name: string }[] = [
  { value: 'ORIGINAL', label: 'the original', name: "the original's own pixels" },
  { value: 'UNLIFTED', label: 'without lift', name: 'without lift' },
];

/** The output's own pixels, made by the code that makes the file, beside what they come from. */
export function ProofPage() {
  const { jobId = '' } = useParams();
  const navigate = useNavigate();
  const job = useJob(jobId).data;
  const ticket = useActiveTicket(jobId);
  const originalsOfJob = useOriginals(jobId);
  const outlook = useQuery(outlookQuery(jobId, job?.name ?? '', ticket?.document)).data;
  const framings = useQuery(framingsQuery(jobId, outlook?.shapeKey)).data;
  const [view, setView] = useState<Size>();
  const [moved, setMoved] = useState<{ originalId: string; x: number; y: number }>();
  const [wipe, setWipe] = useState(0.5);
  const [beside, setBeside] = useState<Show>('ORIGINAL');

  const originals = useMemo(
    () => (originalsOfJob.data ?? []).filter((original) => original.facts && !original.leftOut),
    [originalsOfJob.data],
  );
  const outlookById = useMemo(() => new Map(outlook?.pictures.map((one) => [one.originalId, one])), [outlook]);
  const framed = useMemo(() => new Map(framings?.map((one) => [one.originalId, one])), [framings]);
  const { at, original, ahead, go } = useInTurn(originals);

  const middle = moved?.originalId === original?.id ? moved : undefined;
  const setMiddle = (to: { x: number; y: number } | undefined) =>
    setMoved(to && original ? { ...to, originalId: original.id } : undefined);
  const framing = original && framed.get(original.id)?.document;
  const document = ticket?.document;
  const subject = useMemo<Subject | undefined>(
    () => (original && document && framings ? { originalId: original.id, ticket: document, ...(framing && { framing }) } : undefined),
    [original, document, framing, framings],
  );
  const planning = useQuery(sheetQuery(subject));
  const plan = planning.data?.plan;
  const region = useMemo(
    () => (plan && view ? regionRound(middle ?? { x: plan.width / 2, y: plan.height / 2 }, view, plan) : undefined),
    [plan, view, middle],
  );
  const lifted = plan?.lift !== undefined && plan.lift !== null;
  const shown = lifted ? beside : 'ORIGINAL';
  const after = useQuery(proofQuery(subject, region, 'FILE'));
  const before = useQuery(proofQuery(subject, region, shown));
  const onView = useCallback((size: Size) => setView(size), []);

  const pan = (dx: number, dy: number) => {
    if (!region) return;
    const from = middleOf(region);
    setMiddle({ x: from.x + dx, y: from.y + dy });
  };

  useKeys((event, target) => {
    if (event.ctrlKey || event.metaKey) return;
    const step = event.shiftKey ? 400 : 80;
    const acts: Record<string, () => void> = {
      ArrowLeft: () => pan(-step, 0),
      ArrowRight: () => pan(step, 0),
      ArrowUp: () => pan(0, -step),
      ArrowDown: () => pan(0, step),
      Enter: () => go(ahead.current + 1),
      Backspace: () => go(ahead.current - 1),
      x: () => setWipe(wipe < 0.5 ? 1 : 0),
      0: () => {
        setMiddle(undefined);
        setWipe(0.5);
      },
    };
    const act = acts[event.key];
    if (!act || (event.key === 'Enter' && target.closest('button, a'))) return;
    event.preventDefault();
    act();
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
  const halo = after.data?.halo ?? null;
  const isExact = after.data?.region === region && !after.isPlaceholderData;
  return (
    <main className="bench">
      <BenchPile
        originals={originals}
        outlook={outlookById}
        at={at}
        isAccepted={(id) => framed.get(id)?.accepted ?? false}
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
            beforeName={besides.find(({ value }) => value === shown)!.name}
            region={region}
            wipe={wipe}
            onWipe={setWipe}
            onView={onView}
            onPan={pan}
          />
        )}
        <div className="bench-acts">
          <span>left of the wipe</span>
          <Segmented<Show>
            aria-label="Left of the wipe"
            value={shown}
            onChange={setBeside}
            options={besides.map(({ value, label }) => ({ value, label, disabled: value === 'UNLIFTED' && !lifted }))}
          />
          <Button onClick={() => setWipe(wipe < 0.5 ? 1 : 0)}>
            Before, after <kbd>X</kbd>
          </Button>
          <span className="key-hint">
            <kbd>← ↑ ↓ →</kbd> move
          </span>
          <span className="key-hint">
            <kbd>Enter</kbd> next picture
          </span>
          <span className="key-hint">
            <kbd>0</kbd> middle again
          </span>
          <span className="figures-gap" />
          <span className="quiet" role="status">
            {isExact ? '' : 'making these pixels'}
          </span>
        </div>
        {plan && region && (
          <div className="figures">
            <SheetMap sheet={plan} region={region} onMiddle={setMiddle} />
            <Figure label="the sheet" value={`${pixels(plan.width, plan.height)} px`} />
            <Figure
              label="shown, pixel for pixel"
              value={`${pixels(region.width, region.height)} at ${region.x}, ${region.y}`}
            />
            <Figure
              label="made"
              value={plan.resampling.keepsPixels ? 'its own pixels' : `by ${methodNames[plan.resampling.method]}`}
            />
            <Figure label="lift" value={liftWords(ticket.document.lift)} />
            {halo !== null && (
              <Figure
                label="halo in this part"
                value={`${decimals(halo, 0)} %`}
                {...(halo > 25 && { warning: '◆ seen as rims' })}
              />
            )}
          </div>
        )}
      </div>
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
