import { InputNumber } from 'antd';

interface Props {
  labels: [string, string];
  values: [number, number];
  most: number;
  onChange: (one: number, other: number) => void;
}

/** Two whole numbers beside one another. */
export function TwoNumbers({ labels, values, most, onChange }: Props) {
  const set = (at: 0 | 1) => (next: number | null) => {
    if (next) onChange(at === 0 ? next : values[0], at === 1 ? next : values[1]);
  };
  return (
    <div className="field-row">
      {([0, 1] as const).map((at) => (
        <label key={at} className="field">
          <span>{labels[at]}</span>
          <InputNumber min={1} max={most} precision={0} value={values[at]} onChange={set(at)} />
        </label>
      ))}
    </div>
  );
}
