import { useQuery } from '@tanstack/react-query';
import { smallPicture, type Schemas } from '../../api/client';
import { bytes, convert, decimals, fromInches, lengthText, pixels, unitSymbol, type LengthUnit } from '../../shared/format';
import { planQuery, type TicketDocument } from './queries';

interface Props {
  document: TicketDocument;
  original?: Schemas['OriginalView'];
  onUnit: (unit: LengthUnit) => void;
}

/** The drawing's own size in its units. */
const WIDTH = 440;
const HEIGHT = 470;
const SPACE = 56;

/** The sheet to scale, with dimension lines in the ticket's unit and in pixels: the plan, drawn. */
export function SheetDrawing({ document, original, onUnit }: Props) {
  const planned = useQuery(planQuery(original?.id, document)).data;
  const plan = planned?.plan;
  return (
    <section className="card drawing" aria-label="The sheet">
      <header>
        <h2>The sheet</h2>
        <span>
          {(['IN', 'MM', 'CM'] as const).map((unit) => (
            <button
              key={unit}
              type="button"
              className={`unit${unit === document.unit ? ' unit-on' : ''}`}
              aria-pressed={unit === document.unit}
              onClick={() => onUnit(unit)}
            >
              {unitSymbol[unit]}
            </button>
          ))}
        </span>
      </header>
      {plan && original ? (
        <>
          <Drawing plan={plan} original={original} document={document} />
          <p className="drawing-legend">
            <svg width="30" height="8" aria-hidden="true">
              <path d="M0 4h30" className="trim" />
            </svg>
            trim, where the sheet is cut
          </p>
          <p className="quiet">
            {decimals((plan.width * plan.height) / 1e6, 1)} MP · {bytes(plan.unpackedBytes)} unpacked ·{' '}
            {areaText(plan, document)}
          </p>
        </>
      ) : (
        <p className="quiet drawing-empty">
          {planned?.problems[0] ? planned.problems[0].text : 'The sheet is drawn as soon as there is a picture.'}
        </p>
      )}
    </section>
  );
}

function side(px: number, ppi: number, spoken: { value: number; unit: LengthUnit } | undefined, unit: LengthUnit) {
  const value = spoken ? convert(spoken.value, spoken.unit, unit) : fromInches(px / ppi, unit);
  return `${lengthText(value, unit)} ${unitSymbol[unit]} · ${px} px`;
}

function areaText(plan: Schemas['PlanNumbers'], document: TicketDocument): string {
  const inches = (plan.width / plan.markedPpi) * (plan.height / plan.markedPpi);
  return document.unit === 'IN'
    ? `${decimals(inches, 0)} sq in of paper`
    : `${decimals(inches * 6.4516, 0)} cm² of paper`;
}

function Drawing({ plan, original, document }: { plan: Schemas['PlanNumbers'] } & Required<Omit<Props, 'onUnit'>>) {
  const scale = Math.min((WIDTH - SPACE - 20) / plan.width, (HEIGHT - SPACE - 20) / plan.height);
  const width = plan.width * scale;
  const height = plan.height * scale;
  const x = SPACE + (WIDTH - SPACE - width) / 2;
  const y = SPACE;
  const sides = document.size.kind === 'paper' ? [document.size.width, document.size.height] : [];
  const [short, long] = [...sides].sort((a, b) => convert(a.value, a.unit, 'PT') - convert(b.value, b.unit, 'PT'));
  const wide = plan.width > plan.height;
  const { frame, picture } = plan;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${y + height + 12}`} role="img" aria-label={`Sheet of ${pixels(plan.width, plan.height)} px`}>
      <defs>
        <clipPath id="sheet-picture">
          <rect x={picture.x} y={picture.y} width={picture.width} height={picture.height} />
        </clipPath>
      </defs>
      <g transform={`translate(${x} ${y}) scale(${scale})`}>
        <rect width={plan.width} height={plan.height} fill={document.fit.paper} />
        <g clipPath="url(#sheet-picture)">
          <g
            transform={`translate(${picture.x + picture.width / 2} ${picture.y + picture.height / 2}) rotate(${frame.tiltDegrees}) scale(${1 / frame.scale}) translate(${-frame.centreX} ${-frame.centreY})`}
          >
            <image
              href={smallPicture(original.id, original.digest, 1800)}
              width={frame.seenWidth}
              height={frame.seenHeight}
              preserveAspectRatio="none"
            />
          </g>
        </g>
      </g>
      <rect x={x} y={y} width={width} height={height} className="trim" />
      <Dimension x1={x} x2={x + width} y={y - 20} text={side(plan.width, plan.markedPpi, wide ? long : short, document.unit)} />
      <g transform={`translate(${x - 20} ${y + height}) rotate(-90)`}>
        <Dimension x1={0} x2={height} y={0} text={side(plan.height, plan.markedPpi, wide ? short : long, document.unit)} />
      </g>
    </svg>
  );
}

function Dimension({ x1, x2, y, text }: { x1: number; x2: number; y: number; text: string }) {
  const room = Math.min(x2 - x1 - 12, text.length * 6.6 + 10);
  const middle = (x1 + x2) / 2;
  return (
    <g className="dimension">
      <path d={`M${x1} ${y - 5}v10M${x2} ${y - 5}v10M${x1} ${y}H${middle - room / 2}M${middle + room / 2} ${y}H${x2}`} />
      <text x={middle} y={y + 4} textAnchor="middle">
        {text}
      </text>
    </g>
  );
}
