import type { Schemas } from '../../api/client';
import { decimals, pixels } from '../../shared/format';
import type { ProofPart } from '../pixels';

interface Props {
  plan: Schemas['PlanNumbers'];
  part: ProofPart;
  contour: number | undefined;
  /** What the print loses of the picture's colours; nothing where the output is no print. */
  loss: Schemas['LossView'] | undefined;
  halo: number | null;
}

/** Overshoot in per cent of a contour's contrast that is seen as a rim, as a piece's check tells it. */
const NOTICED_HALO = 25;
const NOTICED_LOSS = 0.05;

/** What is shown, in figures. */
export function ProofFigures({ plan, part, contour, loss, halo }: Props) {
  const isSheet = plan.edges.rim === 'TRIM' && plan.edges.bands.top === 0;
  return (
    <>
      <Figure label={isSheet ? 'the sheet' : 'the total'} value={`${pixels(plan.width, plan.height)} px`} />
      <Figure
        label={part.reduction === null ? 'shown, pixel for pixel' : `scaled, ${decimals(part.reduction, 2)} pixels to one`}
        value={`${pixels(part.region.width, part.region.height)} at ${part.region.x}, ${part.region.y}`}
      />
      {contour !== undefined && <Figure label="contour" value={`${contour + 1}`} />}
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
    </>
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
