import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Checkbox, Drawer, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { count, decimals, stem } from '../../shared/format';
import { Failed } from '../../shared/states';
import { Verdict } from '../../shared/Verdict';
import type { Change } from '../framing';
import { carryQuery, type CarryPart } from './queries';
import '../../shared/field.css';
import '../../shared/verdict.css';
import './carry.css';

type Original = Schemas['OriginalView'];

interface Props {
  /** The picture that is carried from. */
  from: Original;
  originals: Original[];
  /** Chosen beforehand. */
  chosen?: string[];
  ticketId: string;
  isAccepted: (originalId: string) => boolean;
  /** Where another picture may be carried from. */
  onFrom?: (originalId: string) => void;
  onClose: () => void;
  onCarry: (words: string, changes: Change[]) => void;
}

const parts: { value: CarryPart; label: string }[] = [
  { value: 'PLACE', label: 'position and crop' },
  { value: 'TILT', label: 'tilt and corners' },
  { value: 'TURN', label: 'turns and mirror' },
  { value: 'SHARPENING', label: 'sharpening' },
];

const ROW = 46;

/** Carries one picture's framing to any set of others; what would change is shown first. */
export function CarryDrawer({ from, originals, chosen, ticketId, isAccepted, onFrom, onClose, onCarry }: Props) {
  const others = useMemo(() => originals.filter(({ id, facts }) => id !== from.id && facts), [originals, from.id]);
  const [to, setTo] = useState(() => new Set(chosen));
  const [wanted, setWanted] = useState<CarryPart[]>(['PLACE']);
  const ids = useMemo(() => others.filter(({ id }) => to.has(id)).map(({ id }) => id), [others, to]);
  const preview = useQuery(carryQuery(ticketId, from.id, ids, wanted));
  const shown = ids.length > 0 && wanted.length > 0 ? preview.data : undefined;
  const changes = useMemo(() => new Map(shown?.changes.map((change) => [change.originalId, change])), [shown]);
  const isSame = (one: Original) => direction(one) === direction(from);

  const quick: { words: string; holds: (one: Original) => boolean }[] = [
    { words: `all ${direction(from)}`, holds: isSame },
    { words: 'not framed yet', holds: ({ id }) => !isAccepted(id) },
    { words: 'all', holds: () => true },
    { words: 'none', holds: () => false },
  ];
  const carry = () => {
    if (!shown) return;
    onCarry(
      `carried to ${count(shown.changes.length, 'picture')}`,
      shown.changes.map(({ originalId, framing, override }) => ({
        originalId,
        ...(framing && { framing: framing.document }),
        ...(override && { override: override.document }),
      })),
    );
    onClose();
  };
  const toggle = (id: string) => {
    const after = new Set(to);
    if (!after.delete(id)) after.add(id);
    setTo(after);
  };
  return (
    <Drawer
      open
      onClose={onClose}
      size={560}
      title={`Carry from ${stem(from.path)}`}
      footer={
        <div className="carry-foot">
          <span role="status">{footWords(shown, ids.length)}</span>
          <Button type="primary" disabled={!shown || shown.changes.length === 0 || preview.isFetching} onClick={carry}>
            Carry to {count(shown?.changes.length ?? 0, 'picture')}
          </Button>
        </div>
      }
    >
      {onFrom && (
        <label className="field carry-from">
          <span>from</span>
          <Select
            showSearch={{ optionFilterProp: 'label' }}
            aria-label="Carried from"
            value={from.id}
            onChange={onFrom}
            options={originals
              .filter(({ id, facts }) => facts && (isAccepted(id) || id === from.id))
              .map(({ id, path }) => ({ value: id, label: path }))}
          />
        </label>
      )}
      <fieldset className="carry-parts">
        <legend>What is carried</legend>
        <Checkbox.Group options={parts} value={wanted} onChange={setWanted} />
      </fieldset>
      <div className="carry-quick" role="group" aria-label="Select">
        {quick.map(({ words, holds }) => (
          <Button
            key={words}
            size="small"
            onClick={() => setTo(new Set(others.filter(holds).map(({ id }) => id)))}
          >
            {words}
          </Button>
        ))}
      </div>
      {preview.error ? (
        <Failed error={preview.error} again={() => void preview.refetch()} />
      ) : (
        <Targets others={others} to={to} changes={changes} onToggle={toggle} />
      )}
    </Drawer>
  );
}

function footWords(preview: Schemas['CarryPreview'] | undefined, chosen: number): string {
  if (chosen === 0) return 'No picture is selected.';
  if (!preview) return '';
  return preview.unchanged > 0 ? `${count(preview.unchanged, 'picture is', 'pictures are')} the same already.` : '';
}

function direction({ facts }: Original): 'wide' | 'upright' | 'square' {
  if (!facts || facts.width === facts.height) return 'square';
  return facts.width > facts.height ? 'wide' : 'upright';
}

interface TargetsProps {
  others: Original[];
  to: Set<string>;
  changes: Map<string, Schemas['CarryChange']>;
  onToggle: (id: string) => void;
}

function Targets({ others, to, changes, onToggle }: TargetsProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: others.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  return (
    <div ref={scroller} className="carry-list">
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map((row) => {
          const original = others[row.index]!;
          const change = changes.get(original.id);
          return (
            <label key={original.id} className="carry-row" style={{ transform: `translateY(${row.start}px)` }}>
              <input type="checkbox" checked={to.has(original.id)} onChange={() => onToggle(original.id)} />
              <img src={smallPicture(original, 384)} alt="" />
              <strong>{stem(original.path)}</strong>
              {to.has(original.id) && (change ? <Difference change={change} /> : <span className="quiet">unchanged</span>)}
            </label>
          );
        })}
      </div>
    </div>
  );
}

function Difference({ change: { before, after, framing, override } }: { change: Schemas['CarryChange'] }) {
  if (!after.verdict) return <span className="state-poor">cannot be printed like this</span>;
  return (
    <span className="carry-difference">
      {framing && (
        <>
          <span className="quiet">
            {decimals(before.realPpi, 0)} → {decimals(after.realPpi, 0)} ppi, {decimals(after.lostShare * 100, 0)} % cut off
          </span>
          <Verdict level={after.verdict} />
        </>
      )}
      {override && <span className="quiet">sharpening</span>}
    </span>
  );
}
