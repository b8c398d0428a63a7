import { InputNumber } from 'antd';
import type { TicketDocument } from './queries';
import { TextForm } from './phrases';

type Brick = TicketDocument['names'][number];

/** What of a name brick can be changed. */
export function brickFields(brick: Brick, onChange: (brick: Brick) => void) {
  switch (brick.kind) {
    case 'words':
      return <TextForm label="words" value={brick.text} onChange={(text) => onChange({ ...brick, text })} />;
    case 'number':
      return (
        <>
          <NumberField label="digits" min={1} max={9} value={brick.digits} onChange={(digits) => onChange({ ...brick, digits })} />
          <NumberField
            label="first number"
            min={0}
            max={100_000_000}
            value={brick.first ?? 1}
            onChange={(first) => onChange({ ...brick, first })}
          />
        </>
      );
    case 'original':
      return <ReplaceFields value={brick.replace ?? { from: '', to: '' }} onChange={(replace) => onChange({ ...brick, replace })} />;
    default:
      return null;
  }
}

type Replace = { from: string; to: string };

function ReplaceFields({ value, onChange }: { value: Replace; onChange: (value: Replace | null) => void }) {
  const keep = (next: Replace) => onChange(next.from === '' ? null : next);
  return (
    <>
      <TextForm label="replace this text" mayBeEmpty value={value.from} onChange={(from) => keep({ ...value, from })} />
      <TextForm label="by this one" mayBeEmpty value={value.to} onChange={(to) => keep({ ...value, to })} />
    </>
  );
}

interface NumberProps {
  label: string;
  min: number;
  max: number;
  value: number;
  onChange: (value: number) => void;
}

export function NumberField({ label, min, max, value, onChange }: NumberProps) {
  return (
    <label className="field">
      <span>{label}</span>
      <InputNumber min={min} max={max} precision={0} value={value} onChange={(changed) => changed !== null && onChange(changed)} />
    </label>
  );
}
