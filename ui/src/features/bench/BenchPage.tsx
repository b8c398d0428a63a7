import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { smallPicture } from '../../api/client';
import { Empty, Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { useJob } from '../jobs';
import { useInTurn, useOriginals } from '../originals';
import { outlookQuery, useActiveTicket } from '../ticket';
import { BenchPile } from './BenchPile';
import { FiguresBar } from './FiguresBar';
import { centred, held, tighter, tilted, turned, type Framing } from './framing';
import { KeySheet } from './KeySheet';
import { Stage, type Guide } from './Stage';
import { useFramings } from './useFramings';
import { useLatestPlan } from './useLatestPlan';
import './bench.css';

const guides: Guide[] = ['none', 'thirds', 'golden', 'centre', 'net'];
const TIGHTEN = 1.03;
const MM_PER_INCH = 25.4;

/** Where pictures are framed, one after the other, by hand or by keys. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  const [search] = useSearchParams();
  const job = useJob(jobId).data;
  const ticket = useActiveTicket(jobId);
  const originalsOfJob = useOriginals(jobId);
  const outlook = useQuery(outlookQuery(jobId, job?.name ?? '', ticket?.document)).data;
  const framings = useFramings(jobId, outlook?.shapeKey);
  const [guide, setGuide] = useState<Guide>('none');
  const [keysOpen, setKeysOpen] = useState(false);
  const navigate = useNavigate();
  const { message } = App.useApp();

  const only = search.get('only');
  const originals = useMemo(() => {
    const wanted = only ? new Set(only.split(',')) : undefined;
    return (originalsOfJob.data ?? []).filter(
      (original) => original.facts && !original.leftOut && (!wanted || wanted.has(original.id)),
    );
  }, [originalsOfJob.data, only]);
  const outlookById = useMemo(
    () => new Map(outlook?.pictures.map((picture) => [picture.originalId, picture])),
    [outlook],
  );
  const { at, original, ahead, go } = useInTurn(originals);
  const framing = original ? framings.of(original.id) : centred;
  const { planned, error } = useLatestPlan(original?.id, ticket?.document, framing);

  const goTo = (id: string | undefined) => id && go(originals.findIndex((one) => one.id === id));

  // The next picture is in the browser's cache before it is asked for.
  const next = originals[at + 1];
  useEffect(() => {
    if (next) new Image().src = smallPicture(next.id, next.digest, 1800);
  }, [next]);

  const acceptAndNext = () => {
    const accepted = originals[ahead.current];
    if (!accepted) return;
    framings.accept(accepted.id);
    if (ahead.current + 1 < originals.length) {
      go(ahead.current + 1);
    } else {
      void message.success('The last picture is framed. The run can begin.');
    }
  };

  useKeys((event, target) => {
    if (event.key === '?') return setKeysOpen(true);
    const control = event.ctrlKey || event.metaKey;
    if (control && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      goTo(event.shiftKey ? framings.redo() : framings.undo());
      return;
    }
    if (control || event.altKey || !original) return;
    const act = (change: (plan: NonNullable<typeof planned>['plan']) => Framing) => {
      event.preventDefault();
      // A key that comes before the page has followed is meant for a picture that is not here yet.
      if (planned && ahead.current === at) framings.act(original.id, change(planned.plan));
    };
    const nudge = (x: number, y: number) =>
      act((plan) => {
        const mm = event.shiftKey ? 5 : 1;
        const seen = (mm / MM_PER_INCH) * plan.realPpi;
        const start = held(framings.of(original.id), plan.limits);
        return held(
          {
            ...start,
            centreX: start.centreX - (x * seen) / plan.frame.seenWidth,
            centreY: start.centreY - (y * seen) / plan.frame.seenHeight,
          },
          plan.limits,
        );
      });
    switch (event.key) {
      case 'Enter':
        if (target.closest('button, a')) return;
        event.preventDefault();
        return acceptAndNext();
      case 'Backspace':
        event.preventDefault();
        return go(ahead.current - 1);
      case 'ArrowLeft':
        return nudge(-1, 0);
      case 'ArrowRight':
        return nudge(1, 0);
      case 'ArrowUp':
        return nudge(0, -1);
      case 'ArrowDown':
        return nudge(0, 1);
      case 'q':
        return act((plan) => held(tighter(framings.of(original.id), 1 / TIGHTEN), plan.limits));
      case 'w':
        return act((plan) => held(tighter(framings.of(original.id), TIGHTEN), plan.limits));
      case 'a':
        return act(() => tilted(framings.of(original.id), -0.1));
      case 's':
        return act(() => tilted(framings.of(original.id), 0.1));
      case 't':
        return act((plan) => turned(framings.of(original.id), plan.width > plan.height));
      case '0':
        return act(() => centred);
      case 'g':
        return setGuide(guides[(guides.indexOf(guide) + 1) % guides.length]!);
      default:
    }
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
      <BenchPile
        originals={originals}
        outlook={outlookById}
        at={at}
        isAccepted={framings.isAccepted}
        onGo={go}
      />
      <div className="bench-main">
        {planned ? (
          <Stage
            original={original}
            planned={planned}
            framing={framing}
            paper={ticket.document.fit.paper}
            unit={ticket.document.unit}
            guide={guide}
            onShow={(shown) => framings.show(original.id, shown)}
            onAct={(after) => framings.act(original.id, after)}
          />
        ) : (
          <div className="bench-stage bench-wait">{error ? <Failed error={error} /> : <Loading what="the plan" />}</div>
        )}
        <div className="bench-acts">
          <Button type="primary" onClick={acceptAndNext}>
            Accept, next <kbd>Enter</kbd>
          </Button>
          <KeyHint keys={['T']} does="turn sheet" />
          <KeyHint keys={['Q', 'W']} does="looser, tighter" />
          <KeyHint keys={['A', 'S']} does="tilt" />
          <KeyHint keys={['G']} does={guide === 'none' ? 'guides' : guide} />
          <KeyHint keys={['0']} does="start again" />
          <KeyHint keys={['?']} does="all keys" />
          <span className="figures-gap" />
          <Button type="text" disabled={!framings.canUndo} onClick={() => goTo(framings.undo())}>
            Undo
          </Button>
          <Button type="text" disabled={!framings.canRedo} onClick={() => goTo(framings.redo())}>
            Redo
          </Button>
        </div>
        {planned && <FiguresBar plan={planned.plan} ticket={ticket.document} />}
      </div>
      <KeySheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </main>
  );
}

function KeyHint({ keys, does }: { keys: string[]; does: string }) {
  return (
    <span className="key-hint">
      {keys.map((key) => (
        <kbd key={key}>{key}</kbd>
      ))}{' '}
      {does}
    </span>
  );
}
