import { InputNumber } from 'antd';
import './inset.css';

interface Props {
  percent: number;
  onChange: (percent: number) => void;
}

/** How far inside the found sides a scan is cut. */
export function InsetField({ percent, onChange }: Props) {
  return (
    <label className="found-inset">
      cut inside by
      <InputNumber
        size="small"
        min={0}
        max={10}
        step={0.1}
        value={percent}
        aria-label="Cut inside by, in per cent of the short side"
        onChange={(value) => value !== null && onChange(value)}
      />
      %
    </label>
  );
}
