import { Checkbox, Input, InputNumber, Radio, Space } from 'antd';
import { useState } from 'react';
import { LengthInput } from '../../shared/LengthInput';
import type { TicketDocument } from './queries';
import { anchorWords, methodNames, methodPurposes, turnWords, viewingWords } from './words';
import '../../shared/field.css';

interface Part<T> {
  value: T;
  onChange: (value: T) => void;
}

export function TurnForm({ value, onChange }: Part<TicketDocument['turn']>) {
  return <Choice value={value} onChange={onChange} words={turnWords} />;
}

export function ViewingForm({ value, onChange }: Part<TicketDocument['viewing']>) {
  return (
    <>
      <Choice value={value} onChange={onChange} words={viewingWords} />
      <p className="quiet">Used to judge whether a picture has enough pixels. It also affects sharpening for paper, nothing else.</p>
    </>
  );
}

export function ResamplingForm({ value, onChange }: Part<TicketDocument['resampling']>) {
  return (
    <Space orientation="vertical" size={10}>
      <Radio.Group value={value.method} onChange={(event) => onChange({ ...value, method: event.target.value })}>
        <Space orientation="vertical" size={4}>
          {(Object.entries(methodPurposes) as [typeof value.method, string][]).map(([method, purpose]) => (
            <Radio key={method} value={method}>
              <strong>{method === 'BY_ITSELF' ? 'as suits each picture' : methodNames[method]}</strong>{' '}
              <span className="quiet">{purpose}</span>
            </Radio>
          ))}
        </Space>
      </Radio.Group>
      <Checkbox
        checked={value.light === 'LINEAR'}
        onChange={(event) => onChange({ ...value, light: event.target.checked ? 'LINEAR' : 'ENCODED' })}
      >
        <strong>in linear light</strong> <span className="quiet">small bright details keep their brightness</span>
      </Checkbox>
      <Checkbox
        checked={value.ringing === 'LIMITED'}
        onChange={(event) => onChange({ ...value, ringing: event.target.checked ? 'LIMITED' : 'FREE' })}
      >
        <strong>limit ringing</strong> <span className="quiet">for line art</span>
      </Checkbox>
      <p className="quiet">A picture that is neither scaled nor tilted keeps its pixels unchanged.</p>
    </Space>
  );
}

export function FitForm({ value, onChange }: Part<TicketDocument['fit']>) {
  const { paper } = value;
  const choose = (kind: TicketDocument['fit']['kind']) => {
    if (kind === 'fill') onChange({ kind, paper });
    if (kind === 'inside') onChange({ kind, paper, anchor: 'MIDDLE', margin: { value: 0, unit: 'MM' }, marks: 'NONE' });
    if (kind === 'grown') onChange({ kind, paper, anchor: 'MIDDLE' });
    if (kind === 'scale') onChange({ kind, paper, printedPpi: 300, anchor: 'MIDDLE', marks: 'NONE' });
    if (kind === 'cut') onChange({ kind, paper, anchor: 'MIDDLE', marks: 'NONE' });
  };
  return (
    <Space orientation="vertical">
      <Radio.Group value={value.kind} onChange={(event) => choose(event.target.value)}>
        <Space orientation="vertical" size={4}>
          <Radio value="fill">filled to the edge: what does not fit is cut</Radio>
          <Radio value="inside">the whole picture inside: paper shows round it</Radio>
          <Radio value="grown">the whole picture, missing background made from its surroundings</Radio>
          <Radio value="scale">at a scale: printed equally large on any paper</Radio>
          <Radio value="cut">cut out, pixel for pixel: nothing is scaled</Radio>
        </Space>
      </Radio.Group>
      {value.kind === 'cut' && (
        <div className="nested">
          <p>Which part of each picture, until it is moved on the bench:</p>
          <Anchors value={value.anchor} onChange={(anchor) => onChange({ ...value, anchor })} />
        </div>
      )}
      {value.kind === 'grown' && (
        <div className="nested">
          <p>Position on the sheet; background is grown on the other sides, and you accept it picture by picture:</p>
          <Anchors value={value.anchor} onChange={(anchor) => onChange({ ...value, anchor })} />
        </div>
      )}
      {value.kind === 'scale' && <ScaleFields value={value} onChange={onChange} />}
      {value.kind === 'inside' && (
        <div className="nested">
          <LengthInput
            label="margin on every side"
            value={value.margin}
            onChange={(margin) => onChange({ ...value, margin })}
          />
          <p>Position on the paper:</p>
          <Anchors value={value.anchor} onChange={(anchor) => onChange({ ...value, anchor })} />
        </div>
      )}
      {value.kind !== 'fill' && value.kind !== 'grown' && (
        <Checkbox
          checked={value.marks === 'AT_CORNERS'}
          onChange={(event) =>
            onChange({
              ...value,
              marks: event.target.checked ? 'AT_CORNERS' : 'NONE',
              // Marks need paper to stand on.
              ...(value.kind === 'inside' &&
                event.target.checked &&
                value.margin.value === 0 && { margin: { value: 6, unit: 'MM' as const } }),
            })
          }
        >
          trim marks, to cut it to its own size
        </Checkbox>
      )}
      <label className="field">
        <span>{value.kind === 'fill' || value.kind === 'grown' ? 'paper colour behind transparent parts and bare corners' : 'colour of the paper'}</span>
        <input
          type="color"
          value={value.paper}
          onChange={(event) => onChange({ ...value, paper: event.target.value.toUpperCase() })}
        />
      </label>
    </Space>
  );
}

type Scale = Extract<TicketDocument['fit'], { kind: 'scale' }>;

function ScaleFields({ value, onChange }: { value: Scale; onChange: (fit: Scale) => void }) {
  return (
    <div className="nested">
      <Radio.Group
        value={value.printedPpi === null ? 'own' : 'said'}
        onChange={(event) => onChange({ ...value, printedPpi: event.target.value === 'own' ? null : 300 })}
      >
        <Space orientation="vertical" size={4}>
          <Radio value="said">a number of original pixels per inch of paper</Radio>
          <Radio value="own">the ppi in each picture’s file</Radio>
        </Space>
      </Radio.Group>
      {value.printedPpi !== null && (
        <InputNumber
          aria-label="Original pixels per inch"
          min={1}
          max={20000}
          value={value.printedPpi}
          onChange={(ppi) => ppi !== null && onChange({ ...value, printedPpi: ppi })}
        />
      )}
      <p>Position, until it is moved on the bench:</p>
      <Anchors value={value.anchor} onChange={(anchor) => onChange({ ...value, anchor })} />
    </div>
  );
}

function Anchors({ value, onChange }: Part<Scale['anchor']>) {
  return (
    <div className="anchors" role="radiogroup" aria-label="Position">
      {(Object.entries(anchorWords) as [Scale['anchor'], string][]).map(([anchor, words]) => (
        <label key={anchor} title={words}>
          <input
            type="radio"
            name="anchor"
            aria-label={words}
            checked={value === anchor}
            onChange={() => onChange(anchor)}
          />
        </label>
      ))}
    </div>
  );
}

export function PpiForm({ value, onChange }: Part<number>) {
  const [text, setText] = useState(String(value));
  const read = () => {
    const ppi = Number(text.replace(',', '.').replace(/\s*(ppi|dpi)\s*$/i, ''));
    if (Number.isFinite(ppi)) onChange(ppi);
  };
  return (
    <Space orientation="vertical">
      <label className="field">
        <span>pixels per inch</span>
        <Input value={text} onChange={(event) => setText(event.target.value)} onBlur={read} onPressEnter={read} />
      </label>
      <Radio.Group
        optionType="button"
        options={[100, 150, 200, 300, 360].map((ppi) => ({ value: ppi, label: ppi }))}
        value={value}
        onChange={(event) => {
          setText(String(event.target.value));
          onChange(event.target.value);
        }}
      />
      <p className="quiet">Also written dpi; for a picture file both mean the same.</p>
    </Space>
  );
}

interface TextProps extends Part<string> {
  label: string;
  hint?: string;
  /** Then its blanks count too. */
  mayBeEmpty?: boolean;
}

export function TextForm({ value, onChange, label, hint, mayBeEmpty = false }: TextProps) {
  const [text, setText] = useState(value);
  const keep = () => {
    if (text !== value && (mayBeEmpty || text.trim())) onChange(mayBeEmpty ? text : text.trim());
  };
  return (
    <label className="field">
      <span>{label}</span>
      <Input
        value={text}
        maxLength={120}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
      {hint && <span className="quiet">{hint}</span>}
    </label>
  );
}

export function Choice<T extends string>({ value, onChange, words }: Part<T> & { words: Record<T, string> }) {
  return (
    <Radio.Group value={value} onChange={(event) => onChange(event.target.value)}>
      <Space orientation="vertical" size={4}>
        {(Object.entries(words) as [T, string][]).map(([key, text]) => (
          <Radio key={key} value={key}>
            {text}
          </Radio>
        ))}
      </Space>
    </Radio.Group>
  );
}
