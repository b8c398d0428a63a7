import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { bytes, convert, decimals, fromInches, lengthText, unitSymbol } from '../../shared/format';
import { Verdict } from '../../shared/Verdict';
import { viewingWords, type TicketDocument } from '../ticket';

interface Props {
  plan: Schemas['PlanNumbers'];
  ticket: TicketDocument;
  original: Schemas['OriginalView'];
  /** What comes near the ticket's lines, where it has some. */
  near?: ReactNode;
}

/** Original pixels, pixels under the frame, size on paper, real ppi: the plan's own numbers. */
export function FiguresBar({ plan, ticket, original, near }: Props) {
  const { frame } = plan;
  const unit = ticket.unit;
  const fine = (inches: number) => lengthText(Math.floor(fromInches(inches, unit) * 10) / 10, unit);
  return (
    <dl className="figures" aria-live="polite" aria-label="Figures">
      <Figure name="original">
        {frame.seenWidth} × {frame.seenHeight} <small>px</small>
      </Figure>
      <Step>→</Step>
      <Figure name="under the frame">
        {Math.round(frame.width)} × {Math.round(frame.height)} <small>px</small>
      </Figure>
      <Step>→</Step>
      <Figure name="sheet">
        {sideText(plan.edges.sheet.width, plan, ticket)} × {sideText(plan.edges.sheet.height, plan, ticket)} <small>{unitSymbol[unit]}</small>
      </Figure>
      <Step>=</Step>
      <Figure name={`real, ${viewingWords[ticket.viewing]}`}>
        {decimals(plan.realPpi, 0)} <small>of {plan.ppiNeeded} ppi</small> <Verdict level={plan.verdict} />
      </Figure>
      {plan.heldPpi != null && (
        <Figure
          name="holds detail up to"
          title="Read from how its edges are spread. The verdict goes by it: a usual photograph holds about 80 % of its real ppi, a crisp one all."
        >
          {decimals(plan.heldPpi, 0)} <small>ppi</small>
        </Figure>
      )}
      <Figure name="sharp enough up to">
        {fine(plan.fineWidthInches)} × {fine(plan.fineHeightInches)} <small>{unitSymbol[unit]}</small>
      </Figure>
      <Figure apart name={`output at ${decimals(plan.markedPpi, 2)} ppi`}>
        {plan.width} × {plan.height} <small>px</small>
      </Figure>
      {near}
      <Figure name="tilt">{decimals(frame.tiltDegrees, 2).replace('-', '−')}°</Figure>
      <Figure name="cut off">{decimals(plan.lostShare * 100, 0)} %</Figure>
      {plan.corners !== 'COVERED' && (
        <Figure name={plan.corners === 'PAPER' ? 'paper shows' : 'drawn out'}>{decimals(plan.bareShare * 100, 1)} %</Figure>
      )}
      <Figure name="file">
        <small>{bytes(original.fileBytes)} →</small> <small className="figures-ink">{bytes(plan.expectedFileBytes)}</small>
      </Figure>
    </dl>
  );
}

/** A side as the ticket spoke it where it did; else what its pixels cover. */
function sideText(px: number, plan: Schemas['PlanNumbers'], { size, unit }: TicketDocument): string {
  const followed = fromInches(px / plan.markedPpi, unit);
  if (plan.handling.size === 'PAPER' && 'width' in size) {
    for (const spoken of [size.width, size.height].filter((side) => typeof side === 'object')) {
      const value = convert(spoken.value, spoken.unit, unit);
      if (Math.abs(value - followed) <= fromInches(0.51 / plan.markedPpi, unit)) return lengthText(value, unit);
    }
  }
  return lengthText(followed, unit);
}

interface FigureProps {
  name: string;
  /** Where it comes from. */
  title?: string;
  apart?: boolean;
  children: ReactNode;
}

export function Figure({ name, title, apart, children }: FigureProps) {
  return (
    <div className={apart ? 'figures-apart' : undefined} title={title}>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function Step({ children }: { children: ReactNode }) {
  return (
    <div className="figures-step" aria-hidden="true">
      <dt>&nbsp;</dt>
      <dd>{children}</dd>
    </div>
  );
}
