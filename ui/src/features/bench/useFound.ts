import { useQuery } from '@tanstack/react-query';
import { App } from 'antd';
import { useEffect, useState } from 'react';
import { Problem } from '../../api/problems';
import { foundQuery, keepInset, keptInset, offerLevel, offerScanBorder } from '../found';
import type { Framing } from '../framing';
import type { TicketDocument } from '../ticket';

export type Looked = 'border' | 'level';

/**
 * What Embrick finds in the picture on the bench, shown when it is asked for. Nothing moves before it is taken, and it goes
 * when the person works by hand.
 */
export function useFound(
  originalId: string | undefined,
  ticket: TicketDocument | undefined,
  framingOf: (originalId: string) => Framing,
  onTaken: (words: string, originalId: string, framing: Framing) => void,
) {
  const [looked, setLooked] = useState<Looked>();
  const [print, setPrint] = useState(0);
  const [inset, setInset] = useState(keptInset);
  const [left, setLeft] = useState<string>();
  const { message } = App.useApp();
  const found = useQuery({ ...foundQuery(originalId ?? ''), enabled: originalId !== undefined && looked !== undefined });
  useEffect(() => {
    setLooked(undefined);
    setPrint(0);
    setLeft(undefined);
  }, [originalId]);

  const prints = found.data?.scan.prints ?? [];
  const shown = looked === 'border' ? prints[print] : looked === 'level' ? found.data?.level : undefined;
  const canTake = shown ? shown.confidence !== 'NOT_SURE' : false;

  const take = async () => {
    if (!originalId || !ticket || !looked || !canTake) return;
    try {
      if (looked === 'level') {
        const framing = await offerLevel(originalId, framingOf(originalId));
        onTaken('levelled by itself', originalId, framing);
      } else {
        const offer = await offerScanBorder(originalId, ticket, framingOf(originalId), print, inset);
        onTaken('cut the scan border', originalId, offer.framing);
        setLeft(offer.left ?? undefined);
      }
      setLooked(undefined);
    } catch (failed) {
      const problem = Problem.from(failed);
      void message.warning(`${problem.message} ${problem.remedy}`);
    }
  };
  return {
    looked,
    found: found.data,
    error: found.error,
    prints,
    print,
    inset,
    left,
    canTake,
    take,
    /** Shows what is found; asked for again, it is taken. */
    look: (wanted: Looked) => {
      if (looked === wanted && canTake) return void take();
      setLeft(undefined);
      setLooked(looked === wanted ? undefined : wanted);
    },
    /** The next of several prints. */
    next: () => setPrint((print + 1) % Math.max(1, prints.length)),
    say: (percent: number) => {
      setInset(percent);
      keepInset(percent);
    },
    putAway: () => {
      setLooked(undefined);
      setLeft(undefined);
    },
  };
}
