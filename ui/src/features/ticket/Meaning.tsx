import { Link } from 'react-router';
import { whyNotPrinted } from '../../api/estimates';
import { smallPicture, type Schemas } from '../../api/client';
import { bytes, count, decimals, pixels, stem } from '../../shared/format';
import { Verdict, type Level } from '../../shared/Verdict';
import { ppiText } from '../../shared/ppi';
import type { Estimate } from './queries';
import { methodResults } from './words';

interface Props {
  jobId: string;
  estimate: Estimate;
  originals: Map<string, Schemas['OriginalView']>;
}

const levels: Level[] = ['FINE', 'SOFT', 'POOR'];
const CARE = 3;
/** Pictures named one by one in a line. */
const NAMED = 5;

/** What the ticket means for this pile: how many are fine, how heavy it gets, which pictures need care. */
export function Meaning({ jobId, estimate, originals }: Props) {
  const planned = estimate.pictures.filter((picture) => !whyNotPrinted(picture));
  const refused = estimate.pictures.filter((picture) => whyNotPrinted(picture));
  const heaviest = planned.reduce((sum, picture) => sum + picture.expectedFileBytes, 0);
  const unpacked = planned.reduce((sum, picture) => sum + picture.unpackedBytes, 0);
  const wide = planned.filter((picture) => picture.width > picture.height).length;
  const square = planned.filter((picture) => picture.width === picture.height).length;
  const upright = planned.length - wide - square;
  const filled = planned.flatMap(({ notices }) => notices.filter(({ code }) => code === 'bleed-filled'));
  const care = [
    ...refused,
    ...planned.filter((picture) => picture.verdict !== 'FINE').sort((a, b) => a.realPpi - b.realPpi),
  ].slice(0, CARE);
  if (estimate.pictures.length === 0) {
    return (
      <section className="card meaning" aria-label="What it means for this pile">
        <h2>What it means for this pile</h2>
        <p className="quiet">
          There is no picture yet: <Link to={`/jobs/${jobId}/pile`}>drop some on the pile</Link>, then its figures appear here.
        </p>
      </section>
    );
  }
  return (
    <section className="card meaning" aria-label="What it means for this pile">
      <header>
        <h2>What it means for this pile</h2>
        <span className="quiet">
          {count(planned.length, 'piece')} · {wide} wide, {upright} upright{square > 0 && `, ${square} square`} ·{' '}
          <strong className="ink">about {bytes(heaviest)}</strong>, {bytes(unpacked)} uncompressed
        </span>
      </header>
      <div className="verdicts" role="img" aria-label="Shares of fine, soft and poor">
        {levels.map((level) => {
          const share = planned.filter((picture) => picture.verdict === level).length;
          return share === 0 ? null : (
            <span key={level} className={`verdict-${level.toLowerCase()}`} style={{ flexGrow: share }}>
              {share} {level.toLowerCase()}
            </span>
          );
        })}
        {refused.length > 0 && (
          <span className="verdict-none" style={{ flexGrow: refused.length }}>
            {refused.length} cannot be printed
          </span>
        )}
      </div>
      {planned.length > 0 && <p className="making">{makingWords(planned)}</p>}
      {filled.length > 0 && (
        <p className="names-meet">
          ◆ {count(filled.length, 'picture')}: {filled.length === 1 ? filled[0]!.text : 'part of the bleed lies outside the picture and is mirrored'}
        </p>
      )}
      <Told pictures={planned} />
      <KeptSmall pictures={planned} originals={originals} />
      {care.length > 0 && (
        <ul className="care">
          {care.map((picture) => {
            const original = originals.get(picture.originalId);
            if (!original) return null;
            return (
              <li key={picture.originalId}>
                {original.facts ? (
                  <img src={smallPicture(original, 384)} alt="" />
                ) : (
                  <span className="care-none" aria-hidden="true">
                    ■
                  </span>
                )}
                <span>
                  <Link to={`/jobs/${jobId}/${original.forPieces ? `bench?at=${original.id}` : 'pile'}`}>
                    {stem(original.path)}
                  </Link>
                  {original.facts && (
                    <span>
                      {pixels(original.facts.width, original.facts.height)}
                      {picture.verdict && (
                        <>
                          , <strong>{ppiText(picture)}</strong>
                        </>
                      )}
                    </span>
                  )}
                  {whyNotPrinted(picture) ? (
                    <span className="care-text">{whyNotPrinted(picture)?.text}</span>
                  ) : (
                    picture.verdict && (
                      <span>
                        <Verdict level={picture.verdict} />
                      </span>
                    )
                  )}
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {estimate.nameProblems.map((problem) => (
        <p key={problem.text} className="phrase-problem" role="alert">
          ■ {problem.text}
        </p>
      ))}
      {estimate.nameNotices.length > 0 && (
        <p className="names-meet">
          ◆ {estimate.nameNotices[0]!.text}
          {estimate.nameNotices.length > 1 && ` · ${estimate.nameNotices.length - 1} more like it`}
        </p>
      )}
    </section>
  );
}

/** By which methods, and how pictures are sharpened: what the ticket's words come to. */
function makingWords(planned: Estimate['pictures']): string {
  const by = new Map<keyof typeof methodResults, number>();
  let kept = 0;
  for (const { resampling } of planned) {
    if (!resampling) continue;
    if (resampling.keepsPixels) {
      kept++;
    } else {
      by.set(resampling.method, (by.get(resampling.method) ?? 0) + 1);
    }
  }
  const methods = [...by].map(([method, pictures]) => `${pictures} ${methodResults[method]}`);
  if (kept > 0) methods.push(kept === 1 ? '1 keeps its pixels' : `${kept} keep their pixels`);
  const sharpening = planned.find((picture) => picture.sharpening)?.sharpening;
  if (sharpening) {
    const radius = `${decimals(sharpening.radiusMillimetres, 2)} mm (${decimals(sharpening.radiusPixels, 1)} px)`;
    methods.push(
      sharpening.amount === null
        ? `a blur of ${radius} undone in ${count(sharpening.steps ?? 0, 'step')}`
        : `sharpened by ${decimals(sharpening.amount * 100, 0)} % within ${radius}`,
    );
  }
  return methods.join(' · ');
}

/** Notices that concern the ticket, each said once with the number of its pictures. */
const toldOnce = ['mark-on-print', 'smaller-than-cut', 'pixels-change', 'code-kept'];

function Told({ pictures }: { pictures: Estimate['pictures'] }) {
  const texts = new Map<string, number>();
  for (const { notices } of pictures) {
    for (const { code, text } of notices) {
      if (toldOnce.includes(code)) texts.set(text, (texts.get(text) ?? 0) + 1);
    }
  }
  return [...texts].map(([text, number]) => (
    <p key={text} className="names-meet">
      ◆ {count(number, 'picture')}: {text}
    </p>
  ));
}

/** Pictures with fewer pixels than the ticket asks for, which are not enlarged. */
function KeptSmall({ pictures, originals }: { pictures: Estimate['pictures']; originals: Props['originals'] }) {
  const kept = pictures.flatMap(({ originalId, notices }) => {
    const notice = notices.find(({ code }) => code === 'not-enlarged');
    const original = originals.get(originalId);
    return notice && original ? [{ name: stem(original.path), text: notice.text }] : [];
  });
  if (kept.length === 0) return null;
  const names = kept.slice(0, NAMED).map(({ name }) => name);
  const more = kept.length - names.length;
  return (
    <p className="names-meet">
      ◆{' '}
      {kept.length === 1
        ? `${kept[0]!.name} ${kept[0]!.text}`
        : `${kept.length} pictures have fewer pixels than the ticket asks for and keep their own: ${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`}
    </p>
  );
}
