import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { decimals, fromInches, lengthText, unitSymbol } from '../../shared/format';
import { LengthInput } from '../../shared/LengthInput';
import type { useTrueSize } from './useTrueSize';
import type { Seen } from './viewTransform';

interface Props {
  original: Schemas['OriginalView'];
  size: ReturnType<typeof useTrueSize>;
  seen: Seen;
  unit: Schemas['LengthDocument']['unit'];
  /** Whether the ticket keeps pixels, so that the stated ppi can be marked in the file as well. */
  keepsPixels: boolean;
  onMark: (ppi: number) => void;
}

/** The picture's true size: what is known of it, and two ways to state it. */
export function SizeBar({ original, size, seen, unit, keepsPixels, onMark }: Props) {
  const [length, setLength] = useState({ value: unit === 'MM' ? 10 : 1, unit });
  const [ppi, setPpi] = useState<number | null>(original.statedPpi ?? 300);
  if (!size.line) return null;
  const { facts, statedPpi } = original;
  const side = (pixels: number, ppi: number) => decimals(fromInches(pixels / ppi, unit), unit === 'MM' ? 1 : 2);
  const known = facts?.ppiAcross
    ? `${decimals(facts.ppiAcross, 2)} ppi${statedPpi === null ? ', as its file says' : ', as stated'}: ` +
      `${side(facts.width, facts.ppiAcross)} × ${side(facts.height, facts.ppiAcross)} ${unitSymbol[unit]}.`
    : 'Its file says no size.';
  return (
    <div className="found-bar size-bar" role="group" aria-label="True size">
      <span role="status">
        {known} Put the line’s ends on two points and say how far apart they are, or give the scanner’s ppi.
      </span>
      <LengthInput label="between the ends" value={length} onChange={setLength} />
      <Button size="small" type="primary" onClick={() => void size.byLine(seen, length)}>
        State {lengthText(length.value, length.unit)} {unitSymbol[length.unit]}
      </Button>
      <InputNumber
        size="small"
        aria-label="The scanner’s ppi"
        min={1}
        max={20000}
        value={ppi}
        onChange={setPpi}
      />
      <Button size="small" disabled={ppi === null} onClick={() => ppi !== null && void size.byPpi(ppi)}>
        State {ppi ?? '…'} ppi
      </Button>
      {statedPpi !== null && (
        <Button size="small" onClick={() => void size.forget()}>
          As its file says
        </Button>
      )}
      {statedPpi !== null && keepsPixels && (
        <Button size="small" onClick={() => onMark(statedPpi)}>
          Mark its file with it
        </Button>
      )}
      <Button size="small" onClick={size.putAway}>
        Put away <kbd>Esc</kbd>
      </Button>
    </div>
  );
}
