import { Checkbox, InputNumber, Radio, Select } from 'antd';
import type { ReactNode } from 'react';
import { day, time } from '../../shared/format';
import { foldersOf, type RunView } from '../run';
import { papers } from './papers';
import type { Wish } from './wish';
import '../../shared/field.css';

interface Props {
  wish: Wish;
  /** Runs of the job that have finished pieces. */
  runs: RunView[];
  onChange: (wish: Wish) => void;
}

/** Paper, margins and gaps, and which pieces; what was moved by hand is laid anew where it could no longer be meant. */
export function PaperWishes({ wish, runs, onChange }: Props) {
  const change = (more: Partial<Wish>) => onChange({ ...wish, ...more, byHand: [] });
  const paper = papers.findIndex(({ width, height }) => width === wish.width && height === wish.height);
  return (
    <>
      <label className="field">
        <span>Paper</span>
        <Select
          aria-label="Paper"
          value={paper}
          onChange={(chosen) => change({ width: papers[chosen]!.width, height: papers[chosen]!.height })}
          options={papers.map(({ name }, value) => ({ value, label: name }))}
        />
      </label>
      {runs.length > 1 && (
        <label className="field">
          <span>Pieces of</span>
          <Select
            aria-label="Pieces of"
            mode="multiple"
            value={wish.runIds}
            onChange={(runIds: string[]) => runIds.length > 0 && change({ runIds })}
            options={runs.map((run) => ({ value: run.id, label: `${foldersOf(run)}, ${day(run.startedAt)} ${time(run.startedAt)}` }))}
          />
        </label>
      )}
      <div className="field-row">
        <Millimetres label="Margin" value={wish.margin} onChange={(margin) => change({ margin })} />
        <Millimetres label="Between pieces" value={wish.gap} onChange={(gap) => change({ gap })} />
      </div>
      <Checkbox checked={wish.mayTurn} onChange={(event) => change({ mayTurn: event.target.checked })}>
        Turn pieces where that saves paper
      </Checkbox>
      {wish.runIds.length > 1 && (
        <Radio.Group
          aria-label="Order"
          value={wish.byRun}
          onChange={(event) => change({ byRun: event.target.value as boolean })}
          options={[
            { value: false, label: 'For least paper' },
            { value: true, label: 'Run by run' },
          ]}
        />
      )}
      <Checkbox checked={wish.overlap != null} onChange={(event) => change({ overlap: event.target.checked ? 10 : null })}>
        Print what is too wide in parts
      </Checkbox>
      {wish.overlap != null && (
        <Millimetres label="Shared by two parts" value={wish.overlap} onChange={(overlap) => change({ overlap })} />
      )}
      <Field label={wish.height == null ? 'Price of a metre' : 'Price of a sheet'}>
        <InputNumber
          aria-label="Price"
          min={0}
          value={wish.price}
          onChange={(price) => onChange({ ...wish, price })}
          placeholder="not known"
        />
      </Field>
    </>
  );
}

function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="field">
      <span aria-hidden="true">{label}</span>
      {children}
    </div>
  );
}

function Millimetres({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <Field label={label}>
      <InputNumber
        aria-label={`${label}, millimetres`}
        min={0}
        max={100}
        value={value}
        suffix="mm"
        changeOnBlur
        onChange={(next) => next != null && next !== value && onChange(next)}
      />
    </Field>
  );
}
