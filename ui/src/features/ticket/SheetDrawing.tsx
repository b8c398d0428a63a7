import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { smallPicture, type Schemas } from '../../api/client';
import { bytes, convert, decimals, fromInches, lengthText, pixels, unitSymbol, type LengthUnit } from '../../shared/format';
import { sheetLines, SheetLines, type SheetLine } from '../../shared/SheetLines';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { fetchProof, reducedSheet, type Region } from '../pixels';
import type { Spoken } from './edgesWords';
import { planQuery, type TicketDocument } from './queries';

interface Props {
  document: TicketDocument;
  original?: Schemas['OriginalView'];
  /** Whether the pile is still being read. */
  isReading: boolean;
  onUnit: (unit: LengthUnit) => void;
}

/** The drawing's own size in its units. */
const WIDTH = 440;
const HEIGHT = 470;
const SPACE = 56;

const drawnQuery = (originalId: string, ticket: TicketDocument, region: Region, reduction: number | null) =>
  queryOptions({
    queryKey: ['drawn', originalId, ticket, region, reduction],
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    retry: false,
    queryFn: ({ signal }) => fetchProof({ originalId, ticket }, { region, show: 'FILE', look: 'WHITE', reduction }, signal),
  });

/** The sheet to scale, with dimension lines in the ticket's unit and in pixels: the plan, drawn. */
export function SheetDrawing({ document, original, isReading, onUnit }: Props) {
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
          {isOnPaper(document, plan) && <Legend edges={plan.edges} />}
          <p className="quiet">
            {decimals((plan.width * plan.height) / 1e6, 1)} MP · {bytes(plan.unpackedBytes)} uncompressed
            {isOnPaper(document, plan) && ` · ${areaText(plan, document)}`}
          </p>
        </>
      ) : (
        <p className="quiet drawing-empty">
          {planned?.problems[0] ? planned.problems[0].text : isReading || original ? 'Drawing the sheet…' : 'Add a picture to see the sheet.'}
        </p>
      )}
    </section>
  );
}

/** Sets for screens are not cut, and have no area. */
const isOnPaper = ({ size, edges }: TicketDocument, plan: Schemas['PlanNumbers']) =>
  size.kind === 'paper' || edges.kind !== 'none' || plan.edges.rim === 'FOLD';

const meanings: Record<SheetLine['style'], string> = {
  trim: 'trim, where the sheet is cut',
  'fold-line': 'fold, where the face ends',
  'back-line': 'back edge of the bar',
  'joint-line': 'where the border begins',
  'safe-line': 'keep clear inside',
  'total-line': 'the total',
};

function Legend({ edges }: { edges: Schemas['EdgesView'] }) {
  return (
    <p className="drawing-legend">
      {sheetLines(edges).map(({ style }) => (
        <span key={style}>
          <svg width="26" height="8" aria-hidden="true">
            <path d="M0 4h26" className={style} />
          </svg>
          {meanings[style]}
        </span>
      ))}
    </p>
  );
}

function side(px: number, ppi: number, spoken: Spoken | undefined, unit: LengthUnit) {
  const value = spoken ? convert(spoken.value, spoken.unit, unit) : fromInches(px / ppi, unit);
  return `${lengthText(value, unit)} ${unitSymbol[unit]} · ${px} px`;
}

function areaText(plan: Schemas['PlanNumbers'], document: TicketDocument): string {
  const inches = (plan.width / plan.markedPpi) * (plan.height / plan.markedPpi);
  return document.unit === 'IN'
    ? `${decimals(inches, 0)} sq in of paper`
    : `${decimals(inches * 6.4516, 0)} cm² of paper`;
}

function Drawing({ plan, original, document }: { plan: Schemas['PlanNumbers'] } & Required<Omit<Props, 'onUnit' | 'isReading'>>) {
  const { edges } = plan;
  const hasBands = edges.bands.left + edges.bands.top + edges.bands.right + edges.bands.bottom > 0;
  const space = hasBands ? SPACE + 30 : SPACE;
  const scale = Math.min((WIDTH - space - 20) / plan.width, (HEIGHT - space - 20) / plan.height);
  const width = plan.width * scale;
  const height = plan.height * scale;
  const x = space + (WIDTH - space - width) / 2;
  const y = space;
  const sheet = {
    x: x + edges.sheet.x * scale,
    y: y + edges.sheet.y * scale,
    width: edges.sheet.width * scale,
    height: edges.sheet.height * scale,
  };
  const sides = document.size.kind === 'paper' ? [document.size.width, document.size.height] : [];
  const [short, long] = [...sides].sort((a, b) => convert(a.value, a.unit, 'PT') - convert(b.value, b.unit, 'PT'));
  const wide = edges.sheet.width > edges.sheet.height;
  const across = wide ? long : short;
  const down = wide ? short : long;
  // With a border inside the paper, the ticket’s size is that of the total.
  const isInside = document.edges.kind === 'border' && document.edges.size.kind === 'inside';
  const total = (px: number, spoken?: Spoken) => side(px, plan.markedPpi, isInside ? spoken : undefined, document.unit);
  const face = (px: number, spoken?: Spoken) => side(px, plan.markedPpi, isInside ? undefined : spoken, document.unit);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${y + height + 12}`} role="img" aria-label={`Sheet of ${pixels(plan.width, plan.height)} px`}>
      <g transform={`translate(${x} ${y}) scale(${scale})`}>
        <Made plan={plan} original={original} document={document} side={Math.round(2 * Math.max(width, height))} />
      </g>
      <g transform={`translate(${x} ${y})`}>
        <SheetLines edges={edges} scale={scale} on="paper" />
      </g>
      {hasBands && (
        <>
          <Dimension x1={x} x2={x + width} y={18} text={total(plan.width, across)} />
          <g transform={`translate(${x - space + 18} ${y + height}) rotate(-90)`}>
            <Dimension x1={0} x2={height} y={0} text={total(plan.height, down)} />
          </g>
        </>
      )}
      <Dimension x1={sheet.x} x2={sheet.x + sheet.width} y={y - 20} text={face(edges.sheet.width, across)} />
      <g transform={`translate(${x - 20} ${sheet.y + sheet.height}) rotate(-90)`}>
        <Dimension x1={0} x2={sheet.height} y={0} text={face(edges.sheet.height, down)} />
      </g>
    </svg>
  );
}

/** The piece's own pixels, made small; until they are there, its picture in its place. */
function Made({ plan, original, document, side: longest }: { plan: Schemas['PlanNumbers']; side: number } & Required<Omit<Props, 'onUnit' | 'isReading'>>) {
  const reduction = Math.max(1, Math.max(plan.width, plan.height) / longest);
  const sheet = reducedSheet(plan, reduction === 1 ? null : reduction);
  const made = useQuery(drawnQuery(original.id, document, { ...sheet, x: 0, y: 0 }, reduction === 1 ? null : reduction));
  const url = useObjectUrl(made.data?.blob);
  const { frame, picture } = plan;
  if (url && made.data && made.data.region.width === sheet.width && made.data.region.height === sheet.height) {
    return <image href={url} width={plan.width} height={plan.height} preserveAspectRatio="none" />;
  }
  return (
    <>
      <defs>
        <clipPath id="sheet-picture">
          <rect x={picture.x} y={picture.y} width={picture.width} height={picture.height} />
        </clipPath>
      </defs>
      <rect width={plan.width} height={plan.height} fill={document.fit.paper} />
      <g clipPath="url(#sheet-picture)">
        <g
          transform={`translate(${picture.x + picture.width / 2} ${picture.y + picture.height / 2}) rotate(${frame.tiltDegrees}) scale(${1 / frame.scale}) translate(${-frame.centreX} ${-frame.centreY})`}
        >
          <image
            href={smallPicture(original, 1800)}
            width={frame.seenWidth}
            height={frame.seenHeight}
            preserveAspectRatio="none"
          />
        </g>
      </g>
    </>
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
