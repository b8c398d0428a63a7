import { Input } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';

export type Texts = Schemas['MetadataTexts'];

/** The words of a picture; each is handed on when its field is left. */
export function TextsFields({ value, onChange }: { value: Texts; onChange: (value: Texts) => void }) {
  return (
    <>
      <Field label="title" most={300} value={value.title ?? ''} onKeep={(title) => onChange({ ...value, title: title || null })} />
      <Field
        label="caption"
        most={2000}
        value={value.caption ?? ''}
        onKeep={(caption) => onChange({ ...value, caption: caption || null })}
      />
      <Field
        label="creators, with commas between them"
        most={400}
        value={value.creators.join(', ')}
        onKeep={(text) => onChange({ ...value, creators: listed(text) })}
      />
      <Field
        label="copyright notice"
        most={500}
        value={value.rights ?? ''}
        onKeep={(rights) => onChange({ ...value, rights: rights || null })}
      />
      <Field
        label="keywords, with commas between them"
        most={2000}
        value={value.keywords.join(', ')}
        onKeep={(text) => onChange({ ...value, keywords: listed(text) })}
      />
    </>
  );
}

function listed(text: string): string[] {
  return text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
}

interface FieldProps {
  label: string;
  most: number;
  value: string;
  onKeep: (text: string) => void;
}

function Field({ label, most, value, onKeep }: FieldProps) {
  const [text, setText] = useState(value);
  const keep = () => text.trim() !== value && onKeep(text.trim());
  return (
    <label className="field">
      <span>{label}</span>
      <Input value={text} maxLength={most} onChange={(event) => setText(event.target.value)} onBlur={keep} onPressEnter={keep} />
    </label>
  );
}
