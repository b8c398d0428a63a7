import { InputNumber, Slider } from 'antd';
import type { TicketDocument } from './queries';

type Undone = Extract<TicketDocument['sharpening'], { kind: 'out-of-focus' | 'moved' }>;

interface Props {
  value: Undone;
  onChange: (sharpening: Undone) => void;
}

interface FieldProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
}

function NumberField({ label, onChange, ...rest }: FieldProps) {
  return (
    <label className="field">
      <span>{label}</span>
      <InputNumber {...rest} onChange={(next) => next !== null && onChange(next)} />
    </label>
  );
}

/** How a blur was made, in the original's own pixels, and how far it is taken back. */
export function UndoneValues({ value, onChange }: Props) {
  return (
    <div className="nested">
      {value.kind === 'out-of-focus' ? (
        <NumberField
          label="radius, px of the original (P on the bench measures it at an edge)"
          value={value.radius}
          min={0.3}
          max={10}
          step={0.1}
          onChange={(radius) => onChange({ ...value, radius })}
        />
      ) : (
        <>
          <NumberField
            label="length, px of the original"
            value={value.length}
            min={1}
            max={60}
            step={1}
            onChange={(length) => onChange({ ...value, length })}
          />
          <NumberField
            label="direction, degrees clockwise from level, as the picture stands upright"
            value={value.degrees}
            min={-180}
            max={180}
            step={5}
            onChange={(degrees) => onChange({ ...value, degrees })}
          />
        </>
      )}
      <label className="field">
        <span>strength {value.strength}</span>
        <Slider
          min={1}
          max={100}
          defaultValue={value.strength}
          onChangeComplete={(strength) => onChange({ ...value, strength })}
        />
      </label>
      <NumberField
        label="grain, % of the range: detail no stronger than this is left alone"
        value={value.grain}
        min={0}
        max={5}
        step={0.1}
        onChange={(grain) => onChange({ ...value, grain })}
      />
    </div>
  );
}
