import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { convert, decimals, fromInches, lengthText, unitSymbol } from '../../shared/format';
import { Verdict } from '../../shared/Verdict';
import { viewingWords, type TicketDocument } from '../ticket';

interface Props {
  plan: Schemas['PlanNumbers'];
  ticket: TicketDocument;
}

/** Original pixels, pixels under the frame, size on paper, real ppi: the plan's own numbers. */
export function FiguresBar({ plan, ticket }: Props) {
  const { frame } = plan;
  const unit = ticket.unit;
  const across = sideText(plan.width, plan, ticket);
  const down = sideText(plan.height, plan, ticket);
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
        {across} × {down} <small>{unitSymbol[unit]}</small>
      </Figure>
      <Step>=</Step>
      <Figure name="real">
        {decimals(plan.realPpi, 0)} <small>ppi</small> <Verdict level={plan.verdict} />{' '}
        <small>{viewingWords[ticket.viewing]}</small>
      </Figure>
      <span className="figures-gap" />
      <Figure name="leaves as">
        {plan.width} × {plan.height} <small>px</small>
      </Figure>
      <Figure name="tilt">{decimals(frame.tiltDegrees, 1)}°</Figure>
      <Figure name="lost">{decimals(plan.lostShare * 100, 0)} %</Figure>
      <Figure name="marked">
        {decimals(plan.markedPpi, 2)} <small>ppi</small>
      </Figure>
    </dl>
  );
}

/** A side as the ticket spoke it where it did; else what its pixels cover. */
function sideText(px: number, plan: Schemas['PlanNumbers'], { size, unit }: TicketDocument): string {
  const followed = fromInches(px / plan.markedPpi, unit);
  if (size.kind === 'paper') {
    for (const spoken of [size.width, size.height]) {
      const value = convert(spoken.value, spoken.unit, unit);
      if (Math.abs(value - followed) <= fromInches(0.51 / plan.markedPpi, unit)) return lengthText(value, unit);
    }
  }
  return lengthText(followed, unit);
}

function Figure({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function Step({ children }: { children: ReactNode }) {
  return (
    <span className="figures-step" aria-hidden="true">
      {children}
    </span>
  );
}
