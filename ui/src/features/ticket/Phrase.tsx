import { useId, useState, type ReactNode } from 'react';
import type { ProblemDetail } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import '../../shared/phrase.css';

interface Props {
  words: string;
  label: string;
  /** What follows it and stays on its line. */
  after?: string;
  problem?: ProblemDetail;
  children: (close: () => void) => ReactNode;
}

/** An underlined part of the sentence that opens to be changed; an address that ends in its label opens it at once. */
export function Phrase({ words, label, after, problem, children }: Props) {
  const [open, setOpen] = useState(() => decodeURIComponent(window.location.hash.slice(1)) === label);
  const problemId = useId();
  return (
    <>
      <span className="phrase-line">
      <FormPopover
        open={open}
        onOpenChange={setOpen}
        placement="bottomLeft"
        title={label}
        content={(close) => <div className="phrase-form">{children(close)}</div>}
      >
        <button
          type="button"
          className={`phrase${problem ? ' phrase-wrong' : ''}`}
          aria-label={`${label}: ${words}`}
          aria-expanded={open}
          aria-describedby={problem ? problemId : undefined}
        >
          {words}
        </button>
      </FormPopover>
      {after}
      </span>
      {problem && (
        <span id={problemId} className="phrase-problem" role="alert">
          ■ {problem.text} {problem.remedy}
        </span>
      )}
    </>
  );
}
