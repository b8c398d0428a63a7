import { memo } from 'react';
import { smallPicture } from '../../api/client';
import { bytes, fileName, fromInches, lengthText, pixels, unitSymbol, type LengthUnit } from '../../shared/format';
import { Verdict } from '../../shared/Verdict';
import { Offered } from '../found';
import { colourText, crossingsText, damagedPart, detailSentences, lossText, saidText, oddities, stateOf, type Entry } from './pileModel';

interface Props {
  entry: Entry;
  ppi: number;
  unit: LengthUnit;
  chosen: boolean;
  /** Its place in the list, and whether Tab leads to it. */
  index: number;
  isReached: boolean;
  /** The side on which one that is dragged would be put. */
  gap: 'before' | 'after' | undefined;
  onChoose: (entry: Entry, index: number, event: { shiftKey: boolean }) => void;
  onOpen: (entry: Entry) => void;
}

/** One original with its facts, and beside its own size the size of its piece. Drawn again only when it has changed. */
export const PictureCard = memo(function PictureCard({ entry, ppi, unit, chosen, index, isReached, gap, onChoose, onOpen }: Props) {
  const { original, estimate } = entry;
  const { facts } = original;
  const { level, text } = stateOf(entry);
  const folder = original.path.split('/').slice(0, -1).join('/');
  return (
    <div
      role="option"
      aria-selected={chosen}
      tabIndex={isReached ? 0 : -1}
      data-index={index}
      className={`picture${chosen ? ' picture-chosen' : ''}${original.leftOut ? ' picture-left' : ''}${gap ? ` picture-gap-${gap}` : ''}`}
      draggable
      onClick={(event) => onChoose(entry, index, event)}
      onDoubleClick={() => onOpen(entry)}
      onKeyDown={(event) => {
        if (event.key === ' ') {
          event.preventDefault();
          onChoose(entry, index, event);
        }
        if (event.key === 'Enter') onOpen(entry);
      }}
    >
      <span className="picture-stage">
        {facts ? (
          <span className="picture-shown">
            <img src={smallPicture(original, 384)} alt="" loading="lazy" decoding="async" draggable={false} />
            {!entry.framed && <Offered originalId={original.id} />}
            {original.damage && <span className="picture-damage" style={damagedPart(original)} />}
          </span>
        ) : (
          <span className="picture-none">
            <span aria-hidden="true">■</span>{' '}
            {original.state === 'BROKEN' ? 'broken' : original.state === 'TOO_LARGE' ? 'too large' : 'not a picture'}
          </span>
        )}
      </span>
      <span className="picture-name" title={[original.path, saidText(original)].filter(Boolean).join('\n')}>
        {fileName(original.path)}
        {folder && <span className="quiet picture-folder"> in {folder}</span>}
        {original.derivedFrom && <span className="quiet picture-folder"> cut out of a scan</span>}
      </span>
      {facts ? (
        <>
          <span>{pixels(facts.width, facts.height)} px</span>
          <span className="quiet">
            {lengthText(fromInches(facts.width / ppi, unit), unit)} × {lengthText(fromInches(facts.height / ppi, unit), unit)}{' '}
            {unitSymbol[unit]} at {ppi} · {bytes(facts.unpackedBytes)}
          </span>
          {original.damage ? (
            <span className="picture-reason picture-reason-short" title={original.problem?.text}>
              {original.problem?.text}
            </span>
          ) : (
            <>
              <span className="quiet picture-line" title={[colourText(original), detailSentences(original)].filter(Boolean).join('\n')}>
                {oddities(original) || colourText(original)}
              </span>
              <span className="picture-line">
                {lossText(entry) || crossingsText(entry) || (estimate && estimate.width > 0 ? `output ${pixels(estimate.width, estimate.height)} px` : ' ')}
              </span>
            </>
          )}
        </>
      ) : (
        <span className="picture-reason" title={original.problem?.text}>
          {original.problem?.text}
        </span>
      )}
      <span className="picture-line">
        <Verdict level={level} text={text} plain />
      </span>
    </div>
  );
});
