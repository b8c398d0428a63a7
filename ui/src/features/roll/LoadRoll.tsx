import { Button, InputNumber, Select } from 'antd';
import { useState } from 'react';
import '../../shared/field.css';

const INCH = 25.4;
const METRE = 1000;
const FULL_ROLL_METRES = 30;

/** Widths of rolls: common practice, no source. */
const widths = [17, 24, 44, 60];
const papers = ['lustre', 'cotton rag', 'canvas'];

/** Which roll is put in: its width, its paper and how much is on it. */
export function LoadRoll({ onLoad }: { onLoad: (width: number, paper: string, length: number) => void }) {
  const [width, setWidth] = useState(24);
  const [paper, setPaper] = useState(papers[0]!);
  const [metres, setMetres] = useState(FULL_ROLL_METRES);
  return (
    <div className="roll-load">
      <Select
        aria-label="Width of the roll"
        value={width}
        onChange={setWidth}
        options={widths.map((value) => ({ value, label: `${value} in` }))}
      />
      <Select aria-label="Paper" value={paper} onChange={setPaper} options={papers.map((value) => ({ value, label: value }))} />
      <InputNumber
        aria-label="Length of the roll, metres"
        min={0.1}
        max={200}
        value={metres}
        suffix="m"
        onChange={(next) => next != null && setMetres(next)}
      />
      <Button type="primary" onClick={() => onLoad(width * INCH, paper, metres * METRE)}>
        Load this roll
      </Button>
    </div>
  );
}
