import { Checkbox, InputNumber, Radio, Slider, Space } from 'antd';
import { Choice } from './phrases';
import type { TicketDocument } from './queries';

type File = TicketDocument['file'];
type Pdf = Extract<File, { kind: 'pdf' }>;
type Chroma = Extract<File, { kind: 'jpeg' }>['chroma'];
type Depth = Extract<File, { kind: 'png' }>['depth'];

/** The file that a piece becomes. */
export function FileForm({ value, onChange }: { value: File; onChange: (value: File) => void }) {
  const choose = (kind: File['kind']) => {
    const depth = depthOf(value);
    const quality = qualityOf(value);
    const chroma = chromaOf(value);
    if (kind === 'jpeg') onChange({ kind, quality, chroma, mostBytes: null, compressed: 'IF_CHANGED' });
    if (kind === 'tiff') onChange({ kind, packing: 'PLAIN', depth });
    if (kind === 'png') onChange({ kind, depth });
    if (kind === 'pdf') onChange({ kind, pixels: { kind: 'jpeg', quality, chroma }, marks: 'CROP_AND_FOLD' });
    if (kind === 'webp') onChange({ kind, quality: Math.min(quality, 90) });
    if (kind === 'as-it-is') onChange({ kind });
  };
  return (
    <Space orientation="vertical" style={{ width: '100%' }}>
      <Radio.Group value={value.kind} onChange={(event) => choose(event.target.value)}>
        <Radio value="jpeg">JPEG</Radio>
        <Radio value="tiff">TIFF</Radio>
        <Radio value="png">PNG</Radio>
        <Radio value="pdf">PDF page</Radio>
        <Radio value="webp">WebP</Radio>
        <Radio value="as-it-is">their own files, only renamed</Radio>
      </Radio.Group>
      {value.kind === 'as-it-is' && <p className="quiet">Not a byte is changed: size, edges, sharpening and colours stay as they are.</p>}
      {value.kind === 'webp' && <WebpFields quality={value.quality} onChange={(quality) => onChange({ kind: 'webp', quality })} />}
      {value.kind === 'jpeg' && <Coding value={value} onChange={(coding) => onChange({ ...value, ...coding })} />}
      {value.kind === 'jpeg' && (
        <Recompression value={value.compressed} onChange={(compressed) => onChange({ ...value, compressed })} />
      )}
      {value.kind === 'jpeg' && (
        <FileLimit value={value.mostBytes ?? null} onChange={(mostBytes) => onChange({ ...value, mostBytes })} />
      )}
      {value.kind === 'tiff' && (
        <Radio.Group value={value.packing} onChange={(event) => onChange({ ...value, packing: event.target.value })}>
          <Space orientation="vertical" size={4}>
            <Radio value="PLAIN">uncompressed: every program reads it</Radio>
            <Radio value="LZW">compressed by LZW: most programs read it</Radio>
            <Radio value="DEFLATE">compressed by Deflate: the smallest</Radio>
          </Space>
        </Radio.Group>
      )}
      {(value.kind === 'tiff' || value.kind === 'png') && (
        <DepthForm value={value.depth} onChange={(depth) => onChange({ ...value, depth })} />
      )}
      {value.kind === 'pdf' && <PdfFields value={value} onChange={onChange} />}
    </Space>
  );
}

function WebpFields({ quality, onChange }: { quality: number | null; onChange: (quality: number | null) => void }) {
  return (
    <Space orientation="vertical" size={4}>
      <Checkbox checked={quality === null} onChange={({ target }) => onChange(target.checked ? null : 90)}>
        lossless
      </Checkbox>
      {quality !== null && (
        <label className="field">
          <span>quality</span>
          <InputNumber min={1} max={100} value={quality} onChange={(next) => next !== null && onChange(next)} />
        </label>
      )}
      <p className="quiet">For screens: RGB of 8 bits, up to 16 383 px a side. Labs rarely take it.</p>
    </Space>
  );
}

function depthOf(file: File): Depth {
  if (file.kind === 'tiff' || file.kind === 'png') return file.depth;
  return file.kind === 'pdf' && file.pixels.kind === 'whole' ? file.pixels.depth : 'AS_ORIGINAL';
}

function qualityOf(file: File): number {
  if (file.kind === 'jpeg') return file.quality;
  if (file.kind === 'webp') return file.quality ?? 95;
  return file.kind === 'pdf' && file.pixels.kind === 'jpeg' ? file.pixels.quality : 95;
}

function chromaOf(file: File): Chroma {
  if (file.kind === 'jpeg') return file.chroma;
  return file.kind === 'pdf' && file.pixels.kind === 'jpeg' ? file.pixels.chroma : 'FULL';
}

const chromaNames: Record<Chroma, string> = {
  FULL: 'colour at full resolution (4:4:4): for prints',
  HALF_WIDTH: 'colour at half its width (4:2:2)',
  HALF: 'colour at half its width and height (4:2:0): smaller, for screens',
};

interface CodingProps {
  value: { quality: number; chroma: Chroma };
  onChange: (value: { quality: number; chroma: Chroma }) => void;
}

function Coding({ value: { quality, chroma }, onChange }: CodingProps) {
  return (
    <>
      <label className="field">
        <span>quality {quality}</span>
        <Slider min={60} max={100} defaultValue={quality} onChangeComplete={(changed) => onChange({ quality: changed, chroma })} />
        <span className="quiet">Above 95 the file mainly gets larger.</span>
      </label>
      <Choice value={chroma} words={chromaNames} onChange={(changed) => onChange({ quality, chroma: changed })} />
    </>
  );
}

type Compressed = Extract<File, { kind: 'jpeg' }>['compressed'];

/** Whether a JPEG of which no pixel changes keeps its compressed data. */
function Recompression({ value, onChange }: { value: Compressed; onChange: (value: Compressed) => void }) {
  return (
    <>
      <Checkbox checked={value === 'ALWAYS'} onChange={({ target }) => onChange(target.checked ? 'ALWAYS' : 'IF_CHANGED')}>
        recompress even if no pixel changes
      </Checkbox>
      <p className="quiet">Otherwise such a JPEG stays as it is: only ppi and metadata are updated, and quality has no effect.</p>
    </>
  );
}

const KILO = 1000;
/** A fresh limit: what many who publish pictures ask for. */
const USUAL_LIMIT = 500 * KILO;

/** The most bytes a file may have, or none. */
function FileLimit({ value, onChange }: { value: number | null; onChange: (value: number | null) => void }) {
  return (
    <>
      <Checkbox checked={value !== null} onChange={({ target }) => onChange(target.checked ? USUAL_LIMIT : null)}>
        no file larger than
      </Checkbox>
      {value !== null && (
        <label className="field">
          <span>kB, of 1000 bytes</span>
          <InputNumber
            min={5}
            max={100_000}
            precision={0}
            value={value / KILO}
            onChange={(changed) => changed !== null && onChange(changed * KILO)}
          />
          <span className="quiet">A picture that comes out larger gets the highest quality that fits.</span>
        </label>
      )}
    </>
  );
}

function DepthForm({ value, onChange }: { value: Depth; onChange: (value: Depth) => void }) {
  return (
    <Radio.Group value={value} onChange={(event) => onChange(event.target.value)}>
      <Space orientation="vertical" size={4}>
        <Radio value="AS_ORIGINAL">as the original: 16 bit where it has 16 bit</Radio>
        <Radio value="EIGHT">8 bit per channel</Radio>
        <Radio value="SIXTEEN">16 bit per channel</Radio>
      </Space>
    </Radio.Group>
  );
}

function PdfFields({ value, onChange }: { value: Pdf; onChange: (value: File) => void }) {
  const { pixels } = value;
  return (
    <>
      <Radio.Group
        value={pixels.kind}
        onChange={(event) =>
          onChange({
            ...value,
            pixels: event.target.value === 'jpeg' ? { kind: 'jpeg', quality: 95, chroma: 'FULL' } : { kind: 'whole', depth: 'AS_ORIGINAL' },
          })
        }
      >
        <Space orientation="vertical" size={4}>
          <Radio value="jpeg">the picture as a JPEG</Radio>
          <Radio value="whole">the picture compressed without loss</Radio>
        </Space>
      </Radio.Group>
      {pixels.kind === 'jpeg' ? (
        <Coding value={pixels} onChange={(coding) => onChange({ ...value, pixels: { kind: 'jpeg', ...coding } })} />
      ) : (
        <DepthForm value={pixels.depth} onChange={(depth) => onChange({ ...value, pixels: { kind: 'whole', depth } })} />
      )}
      <Checkbox
        checked={value.marks === 'CROP_AND_FOLD'}
        onChange={(event) => onChange({ ...value, marks: event.target.checked ? 'CROP_AND_FOLD' : 'NONE' })}
      >
        crop and fold marks outside the trim
      </Checkbox>
      <p className="quiet">A page a piece; the delivery also gives all of them as one book.</p>
    </>
  );
}
