import { useCallback, useEffect, useRef, useState } from 'react';
import type { Framing } from '../framing';

interface InHand {
  originalId: string;
  words: string;
  framing: Framing;
}

/** A pause of the keys or the wheel ends their edit. */
const ENDS_MILLIS = 320;

/**
 * A framing under the hand: shown at once, kept as one edit when the hand rests, goes on to something else, or leaves. So a
 * key held down or a turn of the wheel is one step to undo.
 */
export function useHand(keep: (words: string, originalId: string, framing: Framing) => void) {
  const [, setShown] = useState<InHand>();
  const inHand = useRef<InHand>(undefined);
  const timer = useRef<number>(undefined);
  const keeper = useRef(keep);
  keeper.current = keep;

  const rest = useCallback(() => {
    window.clearTimeout(timer.current);
    const last = inHand.current;
    inHand.current = undefined;
    setShown(undefined);
    if (last) keeper.current(last.words, last.originalId, last.framing);
  }, []);

  const show = useCallback(
    (words: string, originalId: string, framing: Framing) => {
      const before = inHand.current;
      if (before && (before.words !== words || before.originalId !== originalId)) rest();
      inHand.current = { originalId, words, framing };
      setShown(inHand.current);
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(rest, ENDS_MILLIS);
    },
    [rest],
  );

  useEffect(() => {
    window.addEventListener('pagehide', rest);
    return () => {
      window.removeEventListener('pagehide', rest);
      rest();
    };
  }, [rest]);

  return {
    show,
    rest,
    of: useCallback(
      (originalId: string) => (inHand.current?.originalId === originalId ? inHand.current.framing : undefined),
      [],
    ),
  };
}
