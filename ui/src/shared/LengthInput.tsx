import { Input } from 'antd';
import { createContext, use, useEffect, useState } from 'react';
import { answer, api } from '../api/client';
import { Problem } from '../api/problems';
import { useKeepForm } from './FormPopover';
import { lengthText, spokenIn, unitSymbol, type LengthUnit } from './format';

interface Value {
  value: number;
  unit: LengthUnit;
}

interface Props {
  label: string;
  value: Value;
  disabled?: boolean;
  /** Shown in its own unit, whatever the others are shown in. */
  keepsUnit?: boolean;
  onChange: (value: Value) => void;
}

/** The unit in which the lengths of a form are shown; a number typed without a unit is one of it. */
export const ShownUnit = createContext<LengthUnit | undefined>(undefined);

/** A length typed with or without its unit, also one that the ticket does not use; the server reads it. */
export function LengthInput({ label, value, disabled = false, keepsUnit = false, onChange }: Props) {
  const unitOfForm = use(ShownUnit);
  const shown = keepsUnit || !unitOfForm ? value : spokenIn(value, unitOfForm);
  const said = `${lengthText(shown.value, shown.unit)} ${unitSymbol[shown.unit]}`;
  const [text, setText] = useState(said);
  const [problem, setProblem] = useState('');
  useEffect(() => setText(said), [said]);

  const keepForm = useKeepForm();
  /** False where what was typed is no length. */
  const read = async (): Promise<boolean> => {
    if (text === said) return true;
    try {
      const length = await answer(
        api.GET('/api/v1/length', { params: { query: { text: plain(text), unit: shown.unit } } }),
      );
      setProblem('');
      onChange(length);
      return true;
    } catch (error) {
      const told = Problem.from(error);
      setProblem(`${told.message} ${told.remedy}`);
      return false;
    }
  };

  return (
    <label className="field">
      <span>{label}</span>
      <Input
        value={text}
        disabled={disabled}
        status={problem ? 'error' : ''}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => void read()}
        onPressEnter={(event) => {
          event.preventDefault();
          void read().then((isKept) => isKept && keepForm());
        }}
      />
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  );
}

const fractions: Record<string, string> = {
  '⅛': '1/8',
  '¼': '1/4',
  '⅜': '3/8',
  '½': '1/2',
  '⅝': '5/8',
  '¾': '3/4',
  '⅞': '7/8',
};

/** The signs that eighths are shown by, as they are typed. */
function plain(text: string): string {
  return text.replace(/[⅛¼⅜½⅝¾⅞]/g, (sign) => ` ${fractions[sign]}`).trim();
}
