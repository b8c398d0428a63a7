import { Checkbox, InputNumber, Select } from 'antd';
import { LengthInput } from '../../shared/LengthInput';
import type { TicketDocument } from './queries';
import { TwoNumbers } from './TwoNumbers';
import { sideWords } from './words';

type Scaled = Extract<TicketDocument['size'], { kind: 'scaled' }>;
type Measure = Scaled['to'];

interface Props {
  value: Scaled;
  onChange: (value: Scaled) => void;
}

const measures: Record<Measure['kind'], string> = {
  side: 'a side in pixels',
  length: 'a side on paper, at the ticket’s ppi',
  within: 'within a box of pixels',
  megapixels: 'megapixels',
  percent: 'per cent of their pixels',
};

/** What a measure begins with when it is chosen. */
const firsts: Record<Measure['kind'], Measure> = {
  side: { kind: 'side', side: 'LONG', pixels: 2048 },
  length: { kind: 'length', side: 'LONG', length: { value: 12, unit: 'IN' } },
  within: { kind: 'within', width: 2048, height: 2048 },
  megapixels: { kind: 'megapixels', millions: 12 },
  percent: { kind: 'percent', percent: 50 },
};

/** One measure of a piece that keeps its picture’s shape, and whether pictures with fewer pixels are enlarged to it. */
export function ScaledForm({ value, onChange }: Props) {
  const { to } = value;
  const set = (next: Measure) => onChange({ ...value, to: next });
  return (
    <>
      <label className="field">
        <span>by</span>
        <Select
          aria-label="Measure"
          value={to.kind}
          popupMatchSelectWidth={false}
          options={Object.entries(measures).map(([kind, label]) => ({ value: kind, label }))}
          onChange={(kind) => set(firsts[kind as Measure['kind']])}
        />
      </label>
      {(to.kind === 'side' || to.kind === 'length') && (
        <div className="field-row">
          <label className="field">
            <span>which side</span>
            <Select
              aria-label="Which side"
              value={to.side}
              options={Object.entries(sideWords).map(([side, label]) => ({ value: side as typeof to.side, label }))}
              onChange={(side) => set({ ...to, side })}
            />
          </label>
          {to.kind === 'side' ? (
            <label className="field">
              <span>pixels</span>
              <InputNumber min={1} max={300_000} precision={0} value={to.pixels} onChange={(pixels) => pixels && set({ ...to, pixels })} />
            </label>
          ) : (
            <LengthInput label="length" value={to.length} onChange={(length) => set({ ...to, length })} />
          )}
        </div>
      )}
      {to.kind === 'within' && (
        <TwoNumbers
          labels={['most pixels across', 'most pixels down']}
          values={[to.width, to.height]}
          most={300_000}
          onChange={(width, height) => set({ kind: 'within', width, height })}
        />
      )}
      {to.kind === 'megapixels' && (
        <label className="field">
          <span>million pixels</span>
          <InputNumber min={0.0001} max={1000} value={to.millions} onChange={(millions) => millions && set({ ...to, millions })} />
        </label>
      )}
      {to.kind === 'percent' && (
        <label className="field">
          <span>per cent along each side</span>
          <InputNumber min={0.1} max={1600} value={to.percent} onChange={(percent) => percent && set({ ...to, percent })} />
        </label>
      )}
      <Checkbox
        checked={value.enlarging === 'ALLOWED'}
        onChange={(event) => onChange({ ...value, enlarging: event.target.checked ? 'ALLOWED' : 'NEVER' })}
      >
        enlarge pictures that have fewer pixels
      </Checkbox>
      <p className="quiet">
        {value.enlarging === 'ALLOWED'
          ? 'Every piece meets the measure; enlarging adds no detail.'
          : 'Pictures with fewer pixels keep their own, and are listed.'}
      </p>
    </>
  );
}
