import { Checkbox, Radio, Space } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { ColourField } from '../../shared/ColourField';
import { fromInches, lengthText, unitSymbol, type LengthUnit } from '../../shared/format';
import { BorderFields } from './BorderFields';
import {
  bars,
  bleeds,
  even,
  freshEdges,
  isEven,
  isNothing,
  sameLength,
  sideNames,
  spokenText,
  usualLength,
  type Bleed,
  type Edges,
  type Fill,
  type Sides,
  type Spoken,
  type Wrap,
} from './edgesWords';
import '../../shared/field.css';
import { LengthInput } from '../../shared/LengthInput';

interface Props {
  value: Edges;
  unit: LengthUnit;
  /** Whether the ticket's size is a paper's. */
  isPaper: boolean;
  /** Of a picture of the pile, where there is one. */
  plan: Schemas['PlanNumbers'] | undefined;
  onChange: (value: Edges) => void;
}

const purposes: Record<Edges['kind'], string> = {
  none: 'The print ends at the sheet’s edge.',
  bleed: 'A band that is cut off, so that no white shows if the cut is not exact.',
  wrap: 'Bands that go round the stretcher bars and are stapled at the back.',
  border: 'Paper round the picture.',
};

/** What goes round the sheet: its kind, how wide, of what. */
export function EdgesForm({ value, unit, isPaper, plan, onChange }: Props) {
  const isInside = value.kind === 'border' && value.size.kind === 'inside';
  return (
    <Space orientation="vertical" style={{ width: '100%' }}>
      <Radio.Group value={value.kind} onChange={(event) => onChange(freshEdges(event.target.value, unit, isPaper))}>
        <Radio value="none">nothing</Radio>
        <Radio value="bleed">bleed</Radio>
        <Radio value="wrap">a wrap</Radio>
        <Radio value="border">a border</Radio>
      </Radio.Group>
      <p className="quiet">{purposes[value.kind]}</p>
      {value.kind === 'bleed' && <BleedFields value={value} onChange={onChange} />}
      {value.kind === 'wrap' && <WrapFields value={value} unit={unit} onChange={onChange} />}
      {value.kind === 'border' && <BorderFields value={value} unit={unit} isPaper={isPaper} onChange={onChange} />}
      {value.kind !== 'none' && plan && (
        <p className="edges-total" role="status">
          {isInside ? (
            <>
              the picture becomes <strong>{sizeText(plan.edges.sheet, plan, unit)}</strong> on paper of {sizeText(plan, plan, unit)},{' '}
            </>
          ) : (
            <>
              {sizeText(plan.edges.sheet, plan, unit)} becomes <strong>{sizeText(plan, plan, unit)}</strong>,{' '}
            </>
          )}
          {plan.width} × {plan.height} px
        </p>
      )}
    </Space>
  );
}

function sizeText(size: { width: number; height: number }, { markedPpi }: Schemas['PlanNumbers'], unit: LengthUnit) {
  const side = (px: number) => lengthText(fromInches(px / markedPpi, unit), unit);
  return `${side(size.width)} × ${side(size.height)} ${unitSymbol[unit]}`;
}

function BleedFields({ value, onChange }: { value: Bleed; onChange: (value: Edges) => void }) {
  return (
    <>
      <Usual label="Usual bleeds" lengths={bleeds} value={value.band} onChange={(band) => onChange({ ...value, band })} />
      <div className="field-row">
        <LengthInput label="bleed on every side" value={value.band} onChange={(band) => onChange({ ...value, band })} />
        <LengthInput label="kept clear inside the trim" value={value.safe} onChange={(safe) => onChange({ ...value, safe })} />
      </div>
      <FillForm
        value={value.fill}
        pictureWords="the picture beyond the frame, mirrored where it ends"
        onChange={(fill) => onChange({ ...value, fill })}
      />
    </>
  );
}

function WrapFields({ value, unit, onChange }: { value: Wrap; unit: LengthUnit; onChange: (value: Edges) => void }) {
  const { bar, allowance } = value;
  const isOneBand = isNothing(allowance);
  const [bySide, setBySide] = useState(!isEven(bar) || !isEven(allowance));
  return (
    <>
      <Radio.Group
        value={isOneBand ? 'band' : 'parts'}
        onChange={(event) =>
          onChange({
            ...value,
            allowance: even(event.target.value === 'band' ? { value: 0, unit } : usualLength('allowance', unit)),
            ...(event.target.value === 'band' && { marks: 'NONE' }),
          })
        }
      >
        <Radio value="parts">bar and staple allowance</Radio>
        <Radio value="band">as one number</Radio>
      </Radio.Group>
      {bySide ? (
        <>
          <SideInputs label={isOneBand ? 'band' : 'bar'} value={bar} onChange={(next) => onChange({ ...value, bar: next })} />
          {!isOneBand && (
            <SideInputs label="allowance" value={allowance} onChange={(next) => onChange({ ...value, allowance: next })} />
          )}
        </>
      ) : (
        <>
          <Usual label="Usual bars" lengths={bars} value={bar.top} onChange={(length) => onChange({ ...value, bar: even(length) })} />
          <div className="field-row">
            <LengthInput
              label={isOneBand ? 'the whole band' : 'depth of the bar'}
              value={bar.top}
              onChange={(length) => onChange({ ...value, bar: even(length) })}
            />
            {!isOneBand && (
              <LengthInput
                label="staple allowance"
                value={allowance.top}
                onChange={(length) => onChange({ ...value, allowance: even(length) })}
              />
            )}
          </div>
        </>
      )}
      <Checkbox
        checked={bySide}
        onChange={(event) => {
          setBySide(event.target.checked);
          if (!event.target.checked) onChange({ ...value, bar: even(bar.top), allowance: even(allowance.top) });
        }}
      >
        each side by itself
      </Checkbox>
      <FillForm
        value={value.fill}
        pictureWords="the picture itself: the frame includes the bands"
        onChange={(fill) => onChange({ ...value, fill })}
      />
      {!isOneBand && (
        <Checkbox
          checked={value.marks === 'FOLDS_AND_CORNERS'}
          onChange={(event) => onChange({ ...value, marks: event.target.checked ? 'FOLDS_AND_CORNERS' : 'NONE' })}
        >
          fold marks, and lines to cut the corners along
        </Checkbox>
      )}
    </>
  );
}

function SideInputs({ label, value, onChange }: { label: string; value: Sides; onChange: (value: Sides) => void }) {
  return (
    <div className="field-row">
      {sideNames.map((side) => (
        <LengthInput key={side} label={`${label}, ${side}`} value={value[side]} onChange={(length) => onChange({ ...value, [side]: length })} />
      ))}
    </div>
  );
}

/** Lengths that are asked for again and again, beside a field that takes any. */
function Usual({ label, lengths, value, onChange }: { label: string; lengths: Spoken[]; value: Spoken; onChange: (value: Spoken) => void }) {
  return (
    <div className="usual" role="group" aria-label={label}>
      {lengths.map((length) => (
        <button
          key={spokenText(length)}
          type="button"
          className={`usual-one${sameLength(length, value) ? ' usual-on' : ''}`}
          aria-pressed={sameLength(length, value)}
          onClick={() => onChange(length)}
        >
          {spokenText(length)}
        </button>
      ))}
    </div>
  );
}

function FillForm({ value, pictureWords, onChange }: { value: Fill; pictureWords: string; onChange: (fill: Fill) => void }) {
  const choose = (kind: Fill['kind']) => onChange(kind === 'plain' ? { kind, colour: '#FFFFFF' } : { kind });
  const kinds: [Fill['kind'], ReactNode][] = [
    ['mirror', 'mirrored at the edge'],
    ['drawn-out', 'edge pixels drawn out'],
    ['picture', pictureWords],
    ['grown', 'grown from the picture’s own texture; you look at each and accept it'],
    ['rim-mean', 'plain, the mean colour of the edge'],
    ['plain', 'plain, a colour'],
  ];
  return (
    <div className="nested">
      <Radio.Group aria-label="Filled with" value={value.kind} onChange={(event) => choose(event.target.value)}>
        <Space orientation="vertical" size={2}>
          {kinds.map(([kind, words]) => (
            <Radio key={kind} value={kind}>
              {words}
            </Radio>
          ))}
        </Space>
      </Radio.Group>
      {value.kind === 'plain' && (
        <ColourField label="colour of the band" value={value.colour} onChange={(colour) => onChange({ kind: 'plain', colour })} />
      )}
    </div>
  );
}
