import { Button, Input } from 'antd';
import { useState } from 'react';

interface Props {
  label: string;
  value: string;
  /** What the button says. */
  action?: string;
  onKeep: (name: string) => void;
}

/** A name, kept by its button or by Enter; an empty one is none. */
export function NameField({ label, value, action = 'Save', onKeep }: Props) {
  const [name, setName] = useState(value);
  const keep = () => {
    if (name.trim()) onKeep(name.trim());
  };
  return (
    <div className="field">
      <label className="field">
        <span>{label}</span>
        <Input value={name} maxLength={120} onChange={(event) => setName(event.target.value)} onPressEnter={keep} />
      </label>
      <Button type="primary" disabled={!name.trim()} onClick={keep}>
        {action}
      </Button>
    </div>
  );
}
