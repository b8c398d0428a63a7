interface Props {
  label: string;
  /** #RRGGBB, as colours are sent. */
  value: string;
  onChange: (value: string) => void;
}

export function ColourField({ label, value, onChange }: Props) {
  return (
    <label className="field">
      <span>{label}</span>
      <input type="color" value={value.toLowerCase()} onChange={(event) => onChange(event.target.value.toUpperCase())} />
    </label>
  );
}
