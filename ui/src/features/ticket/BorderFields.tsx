import { Checkbox, Radio, Space } from 'antd';
import { ColourField } from '../../shared/ColourField';
import type { LengthUnit } from '../../shared/format';
import { NumberField } from './BrickFields';
import { Bricks } from './Bricks';
import { captionWords, usualLength, type Border, type CaptionPart, type Edges } from './edgesWords';
import '../../shared/field.css';
import { LengthInput } from '../../shared/LengthInput';
import { TextForm } from './phrases';

function captionFields(part: CaptionPart, onChange: (part: CaptionPart) => void) {
  if (part.kind === 'words') return <TextForm label="words" value={part.text} onChange={(text) => onChange({ ...part, text })} />;
  if (part.kind !== 'number') return null;
  return <NumberField label="digits" min={1} max={9} value={part.digits} onChange={(digits) => onChange({ ...part, digits })} />;
}

interface Props {
  value: Border;
  unit: LengthUnit;
  /** Whether the ticket's size is a paper's, which a border can lie inside. */
  isPaper: boolean;
  onChange: (value: Edges) => void;
}

const freshParts: { label: string; brick: CaptionPart }[] = [
  { label: "the file's name", brick: { kind: 'file-name' } },
  { label: "the picture's title, where its file has one", brick: { kind: 'title' } },
  { label: 'its number in the job', brick: { kind: 'number', digits: 2 } },
  { label: 'own words', brick: { kind: 'words', text: ' · ' } },
];

/** How wide a border is, its colour, a key line and a caption. */
export function BorderFields({ value, unit, isPaper, onChange }: Props) {
  const { size, keyLine, caption } = value;
  const band = size.kind === 'outer' ? usualLength('border', unit) : size.band;
  const choose = (kind: Border['size']['kind']) => {
    if (kind === 'inside') onChange({ ...value, size: { kind, band } });
    if (kind === 'even') onChange({ ...value, size: { kind, band } });
    if (kind === 'heavier-bottom') onChange({ ...value, size: { kind, band, bottom: usualLength('bottom', unit) } });
    if (kind === 'outer') {
      const [width, height] = unit === 'IN' ? [11, 14] : [300, 400];
      const of = unit === 'IN' ? ('IN' as const) : ('MM' as const);
      onChange({ ...value, size: { kind, width: { value: width, unit: of }, height: { value: height, unit: of } } });
    }
  };
  return (
    <>
      <Radio.Group value={size.kind} onChange={(event) => choose(event.target.value)}>
        <Space orientation="vertical" size={4}>
          <Radio value="inside" disabled={!isPaper}>
            inside the paper: the picture gets smaller
          </Radio>
          <Radio value="even">outside, even</Radio>
          <Radio value="heavier-bottom">outside, heavier at the bottom</Radio>
          <Radio value="outer">outside, to a given size</Radio>
        </Space>
      </Radio.Group>
      {size.kind === 'outer' ? (
        <div className="field-row">
          <LengthInput label="one outer side" value={size.width} onChange={(width) => onChange({ ...value, size: { ...size, width } })} />
          <LengthInput label="the other" value={size.height} onChange={(height) => onChange({ ...value, size: { ...size, height } })} />
        </div>
      ) : (
        <div className="field-row">
          <LengthInput label="border" value={size.band} onChange={(next) => onChange({ ...value, size: { ...size, band: next } })} />
          {size.kind === 'heavier-bottom' && (
            <LengthInput label="at the bottom" value={size.bottom} onChange={(bottom) => onChange({ ...value, size: { ...size, bottom } })} />
          )}
        </div>
      )}
      <ColourField label="colour of the border" value={value.colour} onChange={(colour) => onChange({ ...value, colour })} />
      <Checkbox
        checked={Boolean(keyLine)}
        onChange={(event) =>
          onChange(
            without(value, 'keyLine', event.target.checked && { keyLine: { width: { value: 0.5, unit: 'MM' }, colour: '#1F2A30' } }),
          )
        }
      >
        a thin key line round the picture
      </Checkbox>
      {keyLine && (
        <div className="field-row nested">
          <LengthInput label="key line" value={keyLine.width} onChange={(width) => onChange({ ...value, keyLine: { ...keyLine, width } })} />
          <ColourField label="its colour" value={keyLine.colour} onChange={(colour) => onChange({ ...value, keyLine: { ...keyLine, colour } })} />
        </div>
      )}
      <Checkbox
        checked={Boolean(caption)}
        onChange={(event) =>
          onChange(
            without(
              value,
              'caption',
              event.target.checked && {
                caption: { parts: [{ kind: 'file-name' }], letters: { value: 4, unit: 'MM' }, colour: '#1F2A30' },
              },
            ),
          )
        }
      >
        a caption in the bottom
      </Checkbox>
      {caption && (
        <div className="nested">
          <Bricks
            name="Caption brick"
            value={caption.parts}
            words={captionWords}
            fresh={freshParts}
            fields={captionFields}
            onChange={(parts) => onChange({ ...value, caption: { ...caption, parts } })}
          />
          <div className="field-row">
            <LengthInput label="letters" value={caption.letters} onChange={(letters) => onChange({ ...value, caption: { ...caption, letters } })} />
            <ColourField label="their colour" value={caption.colour} onChange={(colour) => onChange({ ...value, caption: { ...caption, colour } })} />
          </div>
        </div>
      )}
    </>
  );
}

/** A border with a part put in, or left out: what is left out is not sent. */
function without(border: Border, part: 'keyLine' | 'caption', put: Partial<Border> | false): Border {
  const rest = { ...border };
  delete rest[part];
  return { ...rest, ...(put || {}) };
}
