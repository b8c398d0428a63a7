import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

/**
 * Pictures taken one after the other; the page's address says which one is here.
 *
 * `ahead` is where the keys already are, before the page has followed: two quick keys move by two pictures.
 */
export function useInTurn<T extends { id: string }>(originals: T[]) {
  const [search, setSearch] = useSearchParams();
  const found = originals.findIndex(({ id }) => id === search.get('at'));
  const at = Math.max(0, found);
  const ahead = useRef(at);
  useEffect(() => {
    ahead.current = at;
  }, [at]);
  const go = (to: number) => {
    const next = originals[to];
    if (!next) return;
    ahead.current = to;
    setSearch(
      (before) => {
        before.set('at', next.id);
        return before;
      },
      { replace: true },
    );
  };
  return { at, original: originals[at], ahead, go };
}
