import { useQueries } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { count, measuredText, stem } from '../../shared/format';
import { crossingsQuery, type Estimate, type TicketDocument } from './queries';

interface Props {
  jobId: string;
  document: TicketDocument;
  pictures: Estimate['pictures'];
  originals: Map<string, Schemas['OriginalView']>;
}

/** Pictures looked at before the rest is asked for: a glance, not a burden. */
const AT_FIRST = 60;
const LISTED = 8;

const sideWords = { LEFT: 'left', TOP: 'top', RIGHT: 'right', BOTTOM: 'bottom' } as const;

/** Pictures whose strong detail comes near a fold or trim line, the nearest first. */
export function NearLines(props: Props) {
  const { kind } = props.document.edges;
  if (kind !== 'wrap' && kind !== 'bleed') return null;
  return <Looked key={kind} {...props} line={kind === 'wrap' ? 'fold' : 'trim'} />;
}

function Looked({ jobId, document, pictures, originals, line }: Props & { line: 'fold' | 'trim' }) {
  const [all, setAll] = useState(false);
  const asked = useMemo(() => (all ? pictures : pictures.slice(0, AT_FIRST)), [all, pictures]);
  const answers = useQueries({ queries: asked.map(({ originalId }) => crossingsQuery(originalId, document)) });
  const done = answers.filter(({ data, isError }) => data !== undefined || isError).length;
  const within = answers.find(({ data }) => data)?.data?.withinMillimetres ?? 0;
  const near = asked
    .flatMap(({ originalId }, i) => {
      const found = answers[i]?.data?.crossings ?? [];
      return found.length > 0 ? [{ originalId, found, nearest: Math.min(...found.map(({ millimetres }) => millimetres)) }] : [];
    })
    .sort((a, b) => a.nearest - b.nearest);
  const length = (millimetres: number) => measuredText(millimetres, document.unit);
  return (
    <section className="card meaning" aria-label={`Near the ${line}`}>
      <header>
        <h2>Near the {line}</h2>
        <span className="quiet" role="status">
          {done < asked.length
            ? `checked ${done} of ${asked.length}`
            : `${near.length === 0 ? 'no picture has' : `${count(near.length, 'picture')} of ${asked.length}, with`} strong detail within ${length(within)}`}
        </span>
      </header>
      {near.length > 0 && (
        <ul className="near">
          {near.slice(0, LISTED).map(({ originalId, found, nearest }) => {
            const original = originals.get(originalId);
            return original ? (
              <li key={originalId}>
                <Link to={`/jobs/${jobId}/bench?at=${original.id}`}>{stem(original.path)}</Link>{' '}
                <span>
                  ◆ {nearest === 0 ? `on the ${line}` : `${length(nearest)} off`}:{' '}
                  {found.map(({ side }) => sideWords[side]).join(', ')}
                </span>
              </li>
            ) : null;
          })}
        </ul>
      )}
      {near.length > 0 && (
        <p className="quiet">
          Faces are not recognised, only strong detail. <kbd>K</kbd> on the bench marks it and finds the move that clears it.
        </p>
      )}
      {near.length > LISTED && <p className="quiet">and {near.length - LISTED} more, less near</p>}
      {!all && pictures.length > AT_FIRST && (
        <button type="button" className="unit" onClick={() => setAll(true)}>
          look at the other {pictures.length - AT_FIRST} too
        </button>
      )}
    </section>
  );
}
