import { InputNumber, Radio, Slider, Space } from 'antd';
import '../../shared/field.css';
import { LengthInput } from '../../shared/LengthInput';
import { Choice } from './phrases';
import { UndoneValues } from './UndoneValues';
import type { TicketDocument } from './queries';
import { paperWords } from './words';

type Sharpening = TicketDocument['sharpening'];
type Exact = Extract<Sharpening, { kind: 'exact' | 'local-contrast' }>;

interface Props {
  value: Sharpening;
  onChange: (sharpening: Sharpening) => void;
}

const MM = 'MM' as const;

/** Sharpening for the paper: by the paper's kind, or by exact values. */
export function SharpeningForm({ value, onChange }: Props) {
  const choose = (kind: Sharpening['kind']) => {
    if (kind === 'none') onChange({ kind });
    if (kind === 'paper') onChange({ kind, paper: 'LUSTRE' });
    if (kind === 'screen') onChange({ kind });
    if (kind === 'exact') onChange({ kind, strength: 30, radius: { value: 0.09, unit: MM }, threshold: 1 });
    if (kind === 'local-contrast') onChange({ kind, strength: 15, radius: { value: 2.5, unit: MM } });
    if (kind === 'out-of-focus') onChange({ kind, strength: 50, radius: 1, grain: 1 });
    if (kind === 'moved') onChange({ kind, strength: 50, length: 8, degrees: 0, grain: 1 });
  };
  return (
    <Space orientation="vertical" style={{ width: '100%' }} size={10}>
      <Radio.Group value={value.kind} onChange={(event) => choose(event.target.value)} style={{ width: '100%' }}>
        <Space orientation="vertical" size={4} style={{ width: '100%' }}>
          <Radio value="none">not sharpened</Radio>
          <Radio value="paper">sharpened for the paper, by ppi and viewing distance</Radio>
          {value.kind === 'paper' && (
            <div className="nested">
              <Choice value={value.paper} onChange={(paper) => onChange({ ...value, paper })} words={paperWords} />
            </div>
          )}
          <Radio value="screen">sharpened for screens: a radius in pixels, whatever the ppi</Radio>
          <Radio value="exact">sharpened by exact values</Radio>
          {value.kind === 'exact' && <ExactValues value={value} onChange={onChange} />}
          <Radio value="local-contrast">local contrast: for line art and flat shapes</Radio>
          {value.kind === 'local-contrast' && <ExactValues value={value} onChange={onChange} />}
          <Radio value="out-of-focus">a blur undone: out of focus</Radio>
          {value.kind === 'out-of-focus' && <UndoneValues value={value} onChange={onChange} />}
          <Radio value="moved">a blur undone: moved along a straight line</Radio>
          {value.kind === 'moved' && <UndoneValues value={value} onChange={onChange} />}
        </Space>
      </Radio.Group>
      <p className="quiet">
        Done at the final size, on brightness only. The overshoot at edges is measured in each piece; above{' '}
        <span className="together">25 %</span> it is reported as a halo.
      </p>
    </Space>
  );
}

function ExactValues({ value, onChange }: { value: Exact; onChange: (sharpening: Sharpening) => void }) {
  return (
    <div className="nested">
      <label className="field">
        <span>strength {value.strength}</span>
        <Slider
          min={0}
          max={100}
          defaultValue={value.strength}
          onChangeComplete={(strength) => onChange({ ...value, strength })}
        />
      </label>
      <LengthInput
        label="radius on paper"
        keepsUnit
        value={value.radius}
        onChange={(radius) => onChange({ ...value, radius })}
      />
      {value.kind === 'exact' && (
        <label className="field">
          <span>threshold, % of the range: flatter areas are left alone</span>
          <InputNumber
            min={0}
            max={20}
            step={0.5}
            value={value.threshold}
            onChange={(threshold) => threshold !== null && onChange({ ...value, threshold })}
          />
        </label>
      )}
    </div>
  );
}
