import { useQuery } from '@tanstack/react-query';
import { Radio, Select, Space } from 'antd';
import { LengthInput } from '../../shared/LengthInput';
import { ScaledForm } from './ScaledForm';
import { papersQuery, type TicketDocument } from './queries';
import { TwoNumbers } from './TwoNumbers';
import '../../shared/field.css';

type Size = TicketDocument['size'];
type Kind = Size['kind'];

interface Props {
  value: Size;
  onChange: (value: Size) => void;
}

const groups = {
  PHOTO_INCH: 'Photo papers in inches',
  PHOTO_METRIC: 'Photo papers in centimetres',
  SQUARE: 'Square',
  PANORAMA: 'Panorama',
  ISO_A: 'ISO A',
  ISO_B: 'ISO B',
} as const;

/** What each way to say a size does with the pixels, in a line. */
const kinds: Record<Kind, string> = {
  paper: 'a paper size: the pixels follow from it and the ppi',
  pixels: 'a size in pixels: for screens, whatever the ppi',
  scaled: 'keep proportions: limit a side, a box, megapixels or %',
  shape: 'a shape: cropped to it, pixels kept',
  free: 'a free crop: each side set on the bench, pixels kept',
  own: 'do not resample, change ppi only',
};

/** What a way begins with when it is chosen. */
const firsts: Record<Kind, Size> = {
  paper: { kind: 'paper', width: { value: 8, unit: 'IN' }, height: { value: 10, unit: 'IN' } },
  pixels: { kind: 'pixels', width: 1080, height: 1350 },
  scaled: { kind: 'scaled', to: { kind: 'side', side: 'LONG', pixels: 2048 }, enlarging: 'NEVER' },
  shape: { kind: 'shape', shortSide: 4, longSide: 5 },
  free: { kind: 'free' },
  own: { kind: 'own' },
};

export function SizeForm({ value, onChange }: Props) {
  return (
    <Space orientation="vertical" className="size-form">
      <Radio.Group value={value.kind} onChange={(event) => onChange(firsts[event.target.value as Kind])}>
        <Space orientation="vertical" size={4}>
          {(Object.keys(kinds) as Kind[]).map((kind) => (
            <Radio key={kind} value={kind}>
              {kinds[kind]}
            </Radio>
          ))}
        </Space>
      </Radio.Group>
      {value.kind === 'paper' && <PaperForm value={value} onChange={onChange} />}
      {value.kind === 'scaled' && <ScaledForm value={value} onChange={onChange} />}
      {value.kind === 'pixels' && (
        <TwoNumbers
          labels={['one side, px', 'the other, px']}
          values={[value.width, value.height]}
          most={300_000}
          onChange={(width, height) => onChange({ kind: 'pixels', width, height })}
        />
      )}
      {value.kind === 'shape' && (
        <TwoNumbers
          labels={['one side', 'to the other']}
          values={[value.shortSide, value.longSide]}
          most={1000}
          onChange={(shortSide, longSide) => onChange({ kind: 'shape', shortSide, longSide })}
        />
      )}
    </Space>
  );
}

function PaperForm({ value, onChange }: { value: Extract<Size, { kind: 'paper' }>; onChange: (value: Size) => void }) {
  const papers = useQuery(papersQuery()).data ?? [];
  const options = Object.entries(groups).map(([group, label]) => ({
    label,
    options: papers.filter((paper) => paper.group === group).map((paper) => ({ value: paper.name, label: paper.name })),
  }));
  const current = papers.find(
    (paper) =>
      paper.width.value === value.width.value &&
      paper.height.value === value.height.value &&
      paper.width.unit === value.width.unit &&
      paper.height.unit === value.height.unit,
  );
  return (
    <>
      <Select
        showSearch
        style={{ width: '100%' }}
        aria-label="Paper"
        placeholder="a free size"
        value={current?.name}
        options={options}
        onChange={(name) => {
          const paper = papers.find((one) => one.name === name);
          if (paper) onChange({ kind: 'paper', width: paper.width, height: paper.height });
        }}
      />
      <div className="field-row">
        <LengthInput label="one side" value={value.width} onChange={(next) => onChange({ ...value, width: next })} />
        <LengthInput label="the other" value={value.height} onChange={(next) => onChange({ ...value, height: next })} />
      </div>
      <p className="quiet">Any unit: 8 in, 20 cm, 210 mm, 1 1/2.</p>
    </>
  );
}
