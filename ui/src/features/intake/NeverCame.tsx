import { Button } from 'antd';
import { useReducer } from 'react';
import { count } from '../../shared/format';
import { announce, neverCame } from './announced';
import { useIntake } from './useIntake';
import './intake.css';

interface Props {
  jobId: string;
  /** Paths of the originals that the job has. */
  present: string[];
  /** Opens the place where files are chosen. */
  onChoose: () => void;
}

const SHOWN = 6;

/** Files that were to come and did not, because the page was closed or they failed; nothing where all are here. */
export function NeverCame({ jobId, present, onChoose }: Props) {
  const { arriving } = useIntake();
  const [, forgotten] = useReducer((times: number) => times + 1, 0);
  const missing = arriving?.jobIds.has(jobId) ? [] : neverCame(jobId, present);
  if (missing.length === 0) return null;
  const more = missing.length - SHOWN;
  return (
    <section className="never-came" role="status">
      <div>
        <strong>{count(missing.length, 'file was', 'files were')} to be added and did not arrive</strong>
        <p>
          {missing.slice(0, SHOWN).join(', ')}
          {more > 0 ? ` and ${more} more` : ''}. Choose the same folder again: only what is missing is sent.
        </p>
      </div>
      <span className="drop-buttons">
        <Button type="primary" onClick={onChoose}>
          Send {missing.length === 1 ? 'it' : 'them'} again
        </Button>
        <Button
          onClick={() => {
            announce(jobId, []);
            forgotten();
          }}
        >
          They are not needed
        </Button>
      </span>
    </section>
  );
}
