import { memo } from 'react';
import { fromInches, unitSymbol, type LengthUnit } from '../../shared/format';
import { rulerMarks } from './viewTransform';

const RULER = 24;

interface Props {
  axis: 'x' | 'y';
  /** Where the sheet begins and how long it is along the ruler, in screen pixels. */
  from: number;
  along: number;
  inches: number;
  unit: LengthUnit;
}

/** A ruler along the sheet, its zero at the sheet's rim, in the ticket's unit. */
export const Ruler = memo(function Ruler({ axis, from, along, inches, unit }: Props) {
  const length = fromInches(inches, unit);
  const perUnit = along / length;
  if (!Number.isFinite(perUnit) || perUnit <= 0) return <div className={`ruler ruler-${axis}`} />;
  return (
    <svg className={`ruler ruler-${axis}`} aria-hidden="true">
      {axis === 'x' && (
        <text x={from - 8} y={15} textAnchor="end">
          {unitSymbol[unit]}
        </text>
      )}
      {rulerMarks(length, perUnit).map(({ at, text }) => {
        const place = from + at * perUnit;
        const mark = text ? 12 : 6;
        return axis === 'x' ? (
          <g key={at} transform={`translate(${place} 0)`}>
            <path d={`M0 ${RULER}v${-mark}`} />
            {text && (
              <text x={3} y={11}>
                {text}
              </text>
            )}
          </g>
        ) : (
          <g key={at} transform={`translate(0 ${place})`}>
            <path d={`M${RULER} 0h${-mark}`} />
            {text && (
              <text x={2} y={-3}>
                {text}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
});
