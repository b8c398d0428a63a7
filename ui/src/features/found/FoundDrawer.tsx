import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Drawer, Progress } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, stem } from '../../shared/format';
import type { Change, Framing } from '../framing';
import type { TicketDocument } from '../ticket';
import { FoundOutline } from './FoundOutline';
import { InsetField } from './InsetField';
import { keepInset, keptInset } from './inset';
import { useSeparate } from './useSeparate';
import { confidenceWords, isTakable, offerOf, seenPrints, type PictureOffer } from './offers';
import { foundQuery, offerLevel, offerScanBorder, type Found } from './queries';
import './found.css';

type Original = Schemas['OriginalView'];

interface Props {
  jobId: string;
  originals: Original[];
  ticket: TicketDocument;
  framingOf: (originalId: string) => Framing;
  onTake: (words: string, changes: Change[]) => void;
  onClose: () => void;
}

interface Row {
  offer: PictureOffer;
  found?: Found;
}

const kinds = { border: 'scan border', level: 'level', prints: 'several prints', nothing: 'nothing' };

/** Looks through a set of pictures for borders and leaning lines; what is sure is ticked, and all is taken as one edit. */
export function FoundDrawer({ jobId, originals, ticket, framingOf, onTake, onClose }: Props) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const [rows, setRows] = useState<Row[]>([]);
  const [refused, setRefused] = useState(new Set<string>());
  const [agreed, setAgreed] = useState(new Set<string>());
  const [inset, setInset] = useState(keptInset);
  const [taken, setTaken] = useState<number>();
  const separate = useSeparate(jobId, inset);
  const [apart, setApart] = useState(new Set<string>());
  const looked = useRef(originals);

  useEffect(() => {
    let left = false;
    const look = async () => {
      for (const original of looked.current) {
        if (left) return;
        let row: Row;
        try {
          const found = await queries.fetchQuery(foundQuery(original.id));
          row = { offer: offerOf(original, found), found };
        } catch (failed) {
          // One picture that cannot be looked at stops no other.
          row = { offer: { original, kind: 'nothing', confidence: 'NOT_SURE', text: Problem.from(failed).message } };
        }
        if (!left) setRows((before) => [...before, row]);
      }
    };
    void look();
    return () => void (left = true);
  }, [queries]);

  const isTicked = ({ offer }: Row) =>
    isTakable(offer) && (offer.confidence === 'SURE' ? !refused.has(offer.original.id) : agreed.has(offer.original.id));
  const tick = ({ offer }: Row, on: boolean) => {
    const [set, store, holds] = offer.confidence === 'SURE' ? [refused, setRefused, !on] as const : [agreed, setAgreed, on] as const;
    const after = new Set(set);
    if (holds) after.add(offer.original.id);
    else after.delete(offer.original.id);
    store(after);
  };
  const ticked = rows.filter(isTicked);
  const offered = rows.filter(({ offer }) => isTakable(offer));
  const alone = rows.filter(({ offer }) => !isTakable(offer) && offer.kind !== 'nothing');
  const nothing = rows.length - offered.length - alone.length;
  const isLooking = rows.length < originals.length;

  const take = async () => {
    const changes: Change[] = [];
    const warnings: string[] = [];
    setTaken(0);
    try {
      for (const { offer } of ticked) {
        const { id, path } = offer.original;
        if (offer.kind === 'level') {
          changes.push({ originalId: id, framing: await offerLevel(id, framingOf(id)) });
        } else {
          const { framing, left } = await offerScanBorder(id, ticket, framingOf(id), 0, inset);
          changes.push({ originalId: id, framing });
          if (left) warnings.push(`${path}: ${left}`);
        }
        setTaken(changes.length);
      }
      onTake(`took ${count(changes.length, 'offer')}`, changes);
      if (warnings.length > 0) void message.warning(warnings.join(' '), 12);
      onClose();
    } catch (failed) {
      // Nothing was taken: all are one edit.
      const problem = Problem.from(failed);
      void message.error(`${problem.message} ${problem.remedy}`);
      setTaken(undefined);
    }
  };

  return (
    <Drawer
      open
      width={560}
      title="Scan borders and leaning pictures"
      onClose={onClose}
      footer={
        <div className="found-foot">
          <InsetField
            percent={inset}
            onChange={(percent) => {
              setInset(percent);
              keepInset(percent);
            }}
          />
          <Button
            type="primary"
            disabled={ticked.length === 0 || isLooking}
            loading={taken !== undefined}
            onClick={() => void take()}
          >
            Take {ticked.length}
          </Button>
        </div>
      }
    >
      {isLooking ? (
        <>
          <Progress percent={Math.round((100 * rows.length) / originals.length)} showInfo={false} />
          <p role="status">
            Looking at picture {rows.length + 1} of {originals.length}
          </p>
        </>
      ) : (
        <p role="status">
          {count(offered.length, 'offer')}, {count(alone.length, 'picture')} left alone, {nothing} with nothing to change.
          Taken together, they are undone together.
        </p>
      )}
      <ul className="found-list" aria-label="Offers">
        {[...offered, ...alone].map((row) => (
          <li key={row.offer.original.id} className="found-row">
            <span className="found-small">
              <img alt="" src={smallPicture(row.offer.original, 384)} />
              {row.found && <FoundOutline found={row.found} />}
            </span>
            <span className="found-words">
              <strong>{stem(row.offer.original.path)}</strong>
              <span>
                {kinds[row.offer.kind]}
                {row.offer.kind === 'prints' ? '' : ` · ${confidenceWords[row.offer.confidence]}`}
              </span>
              <span className="quiet">{row.offer.text}</span>
            </span>
            {row.offer.kind === 'prints' && (
              <Button
                loading={separate.isPending && separate.variables === row.offer.original.id}
                disabled={apart.has(row.offer.original.id) || separate.isPending || seenPrints(row.found!) === 0}
                onClick={() =>
                  separate.mutate(row.offer.original.id, {
                    onSuccess: () => setApart(new Set(apart).add(row.offer.original.id)),
                  })
                }
              >
                {apart.has(row.offer.original.id)
                  ? 'Made'
                  : separate.isPending && separate.variables === row.offer.original.id
                    ? separate.progress
                    : `Make ${count(seenPrints(row.found!), 'picture')}`}
              </Button>
            )}
            {isTakable(row.offer) && (
              <Checkbox
                checked={isTicked(row)}
                aria-label={`Take for ${row.offer.original.path}`}
                onChange={({ target }) => tick(row, target.checked)}
              />
            )}
          </li>
        ))}
      </ul>
    </Drawer>
  );
}
