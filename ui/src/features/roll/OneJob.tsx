import { Button, Popconfirm } from 'antd';
import { count, day, decimals, time } from '../../shared/format';
import { isOver, type RollJob } from './queries';
import { StripOfPaper } from './StripOfPaper';

interface Props {
  job: RollJob;
  /** Whether the printer waits for a person. */
  waits: boolean;
  /** Millimetres that are left of the roll. */
  left: number;
  onCancel: () => void;
}

const METRE = 1000;

const stateWords: Record<RollJob['state'], string> = {
  RECEIVING: 'waits for its pages: send it again from where it was laid',
  QUEUED: 'waits for its turn',
  PRINTING: 'being printed',
  DONE: 'printed',
  CANCELLED: 'taken off the printer',
};

const endWords: Record<RollJob['stretches'][number]['end'], string> = {
  NONE: 'under way',
  PAGE: 'to its end',
  PAPER: 'the roll ended here',
  JAM: 'jammed here',
  CANCELLED: 'taken off here',
};

/** A job: its paper, how far it is printed, and the stretches of paper that came out. */
export function OneJob({ job, waits, left, onCancel }: Props) {
  const pieces = job.pages.flatMap((page) => page.pieces);
  const printed = pieces.filter((piece) => piece.printed).length;
  const length = job.pages.reduce((sum, page) => sum + page.length, 0);
  const covered = pieces.reduce((sum, { width, height }) => sum + width * height, 0);
  const used = job.stretches.reduce((sum, { from, at }) => sum + at - from, 0);
  const bare = 100 * (1 - covered / (job.width * length));
  return (
    <section className="card roll-job" aria-label={`Job of ${time(job.receivedAt)}`}>
      <header>
        <h2>
          {job.name}, {day(job.receivedAt)} {time(job.receivedAt)}
        </h2>
        <strong role="status">{job.state === 'PRINTING' && waits ? 'waits for you' : stateWords[job.state]}</strong>
        <span>
          {printed} of {count(pieces.length, 'piece')} whole on paper
        </span>
        {!isOver(job) && (
          <Popconfirm title="Take this job off the printer?" okText="Take it off" cancelText="Keep it" onConfirm={onCancel}>
            <Button size="small">Take it off</Button>
          </Popconfirm>
        )}
      </header>
      {job.pages.map((page, i) => (
        <StripOfPaper key={i} job={job} page={page} number={i} />
      ))}
      <p className="roll-figures">
        <span>
          <b>{decimals(length / METRE, 2)} m</b> long
        </span>
        <span>
          <b>{decimals(used / METRE, 2)} m</b> used
        </span>
        {!isOver(job) && (
          <span>
            <b>{decimals(left / METRE, 2)} m</b> left of the roll
          </span>
        )}
        <span>
          <b>{decimals(bare, 1)} %</b> stays bare
        </span>
      </p>
      {job.stretches.some(({ picture }) => picture != null) && (
        <details>
          <summary>What lies on paper: {count(job.stretches.length, 'stretch', 'stretches')}</summary>
          <ol className="roll-stretches">
            {job.stretches.map(({ picture, roll, end }, i) => (
              <li key={i}>
                {picture != null && (
                  <img
                    src={`/api/v1/roll/jobs/${job.id}/stretches/${picture}`}
                    alt={`Stretch ${i + 1} as it was printed`}
                    loading="lazy"
                  />
                )}
                <span className="quiet">
                  roll {roll}, {endWords[end]}
                </span>
              </li>
            ))}
          </ol>
        </details>
      )}
    </section>
  );
}
