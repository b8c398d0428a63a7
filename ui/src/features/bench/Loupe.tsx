import { useEffect, useState } from 'react';
import { decimals } from '../../shared/format';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { fetchProof, regionRound, type Proof } from '../pixels';
import type { Planned } from './usePlanned';
import type { Stage, View } from './viewTransform';

interface Props {
  planned: Planned;
  view: View;
  stage: Stage;
  /** Where the pointer is on the stage; the output's middle where there is none. */
  at: { x: number; y: number } | undefined;
}

const SIDE = 240;
/** The hand rests this long before pixels are made. */
const RESTS_MILLIS = 60;
const BESIDE = 22;

/** Output pixels at the pointer, one to one, sharpening included: what the file will hold there. */
export function Loupe({ planned, view, stage, at }: Props) {
  const [proof, setProof] = useState<Proof>();
  const [failed, setFailed] = useState(false);
  const { plan, framing, subject } = planned;
  const point = at ?? { x: view.total.x + view.total.width / 2, y: view.total.y + view.total.height / 2 };
  const x = Math.round((point.x - view.total.x) / view.perPixel);
  const y = Math.round((point.y - view.total.y) / view.perPixel);
  const isOnSheet = x >= 0 && y >= 0 && x < plan.width && y < plan.height;

  useEffect(() => {
    if (!isOnSheet) return;
    const asking = new AbortController();
    const side = SIDE * devicePixelRatio;
    const region = regionRound({ x, y }, { width: side, height: side }, plan);
    const timer = window.setTimeout(() => {
      fetchProof({ ...subject, framing }, { region, show: 'FILE', look: 'WHITE', reduction: null }, asking.signal)
        .then((made) => {
          setProof(made);
          setFailed(false);
        })
        .catch(() => {
          if (!asking.signal.aborted) setFailed(true);
        });
    }, RESTS_MILLIS);
    return () => {
      window.clearTimeout(timer);
      asking.abort();
    };
  }, [framing, isOnSheet, plan, subject, x, y]);

  const url = useObjectUrl(proof?.blob);
  if (!isOnSheet) return null;
  const left = point.x + BESIDE + SIDE > stage.width ? point.x - BESIDE - SIDE : point.x + BESIDE;
  const top = Math.max(0, Math.min(stage.height - SIDE, point.y + BESIDE));
  return (
    <figure className="loupe" style={{ left, top, width: SIDE, height: SIDE }} data-testid="loupe">
      {url && proof && (
        <img
          src={url}
          alt={`Output pixels round ${x}, ${y}, one to one`}
          width={proof.region.width / devicePixelRatio}
          height={proof.region.height / devicePixelRatio}
          style={{
            left: (proof.region.x - x) / devicePixelRatio + SIDE / 2,
            top: (proof.region.y - y) / devicePixelRatio + SIDE / 2,
          }}
        />
      )}
      <figcaption>
        {failed ? 'cannot be rendered' : !proof ? 'rendering' : `1:1${proof?.halo != null ? ` · halo ${decimals(proof.halo, 0)} %` : ''}`}
      </figcaption>
    </figure>
  );
}
