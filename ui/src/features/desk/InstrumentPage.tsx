import { useMutation } from '@tanstack/react-query';
import { Input, Radio, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Problem } from '../../api/problems';
import { decimals, unitSymbol, type LengthUnit } from '../../shared/format';
import { LengthInput } from '../../shared/LengthInput';
import { Distances } from './Distances';
import { OnSizes } from './OnSizes';
import { relate, type Relation } from './queries';
import { TrueProportion } from './TrueProportion';
import '../../shared/field.css';
import './desk.css';

type Asked = Parameters<typeof relate>[0];

/** What the desk opens with: a picture of 24 megapixels. */
const FIRST = { width: 6000, height: 4000, ppi: 300 };

const heldWords: Record<Asked['held'], string> = { PIXELS: 'pixels', SIZE: 'size in print', PPI: 'ppi' };

/** Pixels, size in print and ppi: one is changed, one is held, the third follows. */
export function InstrumentPage() {
  const [unit, setUnit] = useState<LengthUnit>('CM');
  const [held, setHeld] = useState<Asked['held']>('PIXELS');
  const [shape, setShape] = useState({ width: FIRST.width, height: FIRST.height });
  const [now, setNow] = useState<Relation>();
  const reckon = useMutation({ mutationFn: relate, onSuccess: setNow });
  const { mutate } = reckon;
  const base = now ?? { width: FIRST.width, height: FIRST.height, ppi: FIRST.ppi };

  const ask = (change: Partial<Asked> = {}) =>
    mutate({
      shapeWidth: shape.width,
      shapeHeight: shape.height,
      width: base.width,
      height: base.height,
      ppi: base.ppi,
      unit,
      held,
      changed: 'PPI',
      toPpi: null,
      toLength: null,
      toPixels: null,
      ...change,
    });
  // The same numbers in another unit; at first, the numbers themselves.
  useEffect(() => {
    ask({ held: 'PIXELS' });
    // oxlint-disable-next-line react/exhaustive-deps -- runs again only when the unit changes
  }, [unit]);

  const begin = (width: number, height: number) => {
    setShape({ width, height });
    ask({ shapeWidth: width, shapeHeight: height, width, height, held: 'PIXELS' });
  };

  if (!now) return reckon.isError ? <p role="alert">{Problem.from(reckon.error).message}</p> : null;
  const told = reckon.variables?.toPpi ?? reckon.variables?.toLength ?? reckon.variables?.toPixels;
  const length = (value: number) => ({ value: Number(decimals(value, 3)), unit });
  const problem = reckon.isError ? Problem.from(reckon.error) : undefined;
  return (
    <main className="shell-body desk">
      <section className="card desk-instrument" aria-label="Pixels, size and ppi">
        <div className="desk-head">
          <h1>Pixels, size and ppi</h1>
          <Segmented<LengthUnit>
            aria-label="Unit"
            options={(['CM', 'IN', 'MM'] as const).map((value) => ({ value, label: unitSymbol[value] }))}
            value={unit}
            onChange={setUnit}
          />
        </div>
        <div className="desk-row">
          <strong>A picture of</strong>
          <Whole label="pixels across" value={shape.width} onChange={(width) => begin(width, shape.height)} />
          <span aria-hidden="true">×</span>
          <Whole label="pixels down" value={shape.height} onChange={(height) => begin(shape.width, height)} />
          <span>px</span>
        </div>
        <Radio.Group
          className="desk-held"
          aria-label="What is held"
          value={held}
          onChange={({ target }) => setHeld(target.value as Asked['held'])}
        >
          <span className="desk-held-head">hold</span>
          <Radio value="PIXELS">{heldWords.PIXELS}</Radio>
          <Figures off={held === 'PIXELS'}>
            <Whole
              label="across, px"
              value={now.width}
              off={held === 'PIXELS'}
              onChange={(toPixels) => ask({ changed: 'PIXELS_ACROSS', toPixels })}
            />
            <Whole
              label="down, px"
              value={now.height}
              off={held === 'PIXELS'}
              onChange={(toPixels) => ask({ changed: 'PIXELS_DOWN', toPixels })}
            />
          </Figures>
          <Radio value="SIZE">{heldWords.SIZE}</Radio>
          <Figures off={held === 'SIZE'}>
            <LengthInput
              label="wide"
              value={length(now.widthLength)}
              disabled={held === 'SIZE'}
              onChange={(toLength) => ask({ changed: 'WIDTH', toLength })}
            />
            <LengthInput
              label="high"
              value={length(now.heightLength)}
              disabled={held === 'SIZE'}
              onChange={(toLength) => ask({ changed: 'HEIGHT', toLength })}
            />
          </Figures>
          <Radio value="PPI">{heldWords.PPI}</Radio>
          <Figures off={held === 'PPI'}>
            <Whole
              label="pixels per inch"
              value={Number(decimals(now.ppi, 2))}
              off={held === 'PPI'}
              onChange={(toPpi) => ask({ changed: 'PPI', toPpi })}
            />
          </Figures>
        </Radio.Group>
        <p className="desk-sentence" role="status">
          {problem ? `■ ${problem.message} ${problem.remedy}` : told ? now.sentence : `Change a number: ${heldWords[held]} stay${held === 'PIXELS' ? '' : 's'}, the third follows.`}
        </p>
      </section>
      <TrueProportion relation={now} unit={unit} />
      <OnSizes width={shape.width} height={shape.height} />
      <Distances />
    </main>
  );
}

function Figures({ off, children }: { off: boolean; children: React.ReactNode }) {
  return <div className={`desk-figures${off ? ' desk-off' : ''}`}>{children}</div>;
}

interface WholeProps {
  label: string;
  value: number;
  off?: boolean;
  onChange: (value: number) => void;
}

/** A number that counts once it is done: by Enter, or by leaving it. */
function Whole({ label, value, off = false, onChange }: WholeProps) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const read = () => {
    const number = Number(text.replace(',', '.'));
    if (!Number.isFinite(number) || number <= 0) return setText(String(value));
    if (number !== value) onChange(number);
  };
  return (
    <label className="field">
      <span>{label}</span>
      <Input
        value={text}
        disabled={off}
        inputMode="decimal"
        onChange={({ target }) => setText(target.value)}
        onBlur={read}
        onPressEnter={read}
      />
    </label>
  );
}
