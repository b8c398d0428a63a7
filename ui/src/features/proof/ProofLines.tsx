import type { Schemas } from '../../api/client';

interface Props {
  edges: Schemas['EdgesView'];
  /** Pixels of the output to one that is shown. */
  reduction: number;
}

const rims = { TRIM: 'trim', FOLD: 'fold-line', BORDER: '' } as const;

/** Fold, trim and safe lines in the pixels that are shown; each on a white ground, to be seen on any picture. */
export function ProofLines({ edges: { rim, sheet, bar, safe }, reduction }: Props) {
  const scaled = (x: number, y: number, width: number, height: number) => ({
    x: x / reduction,
    y: y / reduction,
    width: width / reduction,
    height: height / reduction,
  });
  const lines: [string, ReturnType<typeof scaled>][] = [];
  if (rims[rim]) lines.push([rims[rim], scaled(sheet.x, sheet.y, sheet.width, sheet.height)]);
  if (safe > 0) {
    lines.push(['safe-line', scaled(sheet.x + safe, sheet.y + safe, sheet.width - 2 * safe, sheet.height - 2 * safe)]);
  }
  if (bar.left + bar.top + bar.right + bar.foot > 0) {
    lines.push([
      'back-line',
      scaled(sheet.x - bar.left, sheet.y - bar.top, sheet.width + bar.left + bar.right, sheet.height + bar.top + bar.foot),
    ]);
  }
  return (
    <>
      {lines.map(([name, rect]) => (
        <g key={name}>
          <rect className="proof-line-ground" {...rect} />
          <rect className={name} {...rect} vectorEffect="non-scaling-stroke" />
        </g>
      ))}
    </>
  );
}
