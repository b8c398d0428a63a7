import { useCallback, useEffect, useRef } from 'react';
import { useLocation, useSearchParams } from 'react-router';

/**
 * Pictures taken one after the other; the page's address says which one is here.
 *
 * `ahead` is where the keys already are, before the page has followed: two quick keys move by two pictures. What the page
 * shows on its way there does not bring them back.
 */
export function useInTurn<T extends { id: string }>(originals: T[]) {
  const [search, setSearch] = useSearchParams();
  const found = originals.findIndex(({ id }) => id === search.get('at'));
  const at = Math.max(0, found);
  const here = originals[at]?.id;
  const ahead = useRef(at);
  const asked = useRef<string>(undefined);
  useEffect(() => {
    if (asked.current !== undefined && asked.current !== here) return;
    asked.current = undefined;
    ahead.current = at;
  }, [at, here]);
  // The setter is another one after every step; pages that are drawn once more for it need not be.
  const { state } = useLocation() as { state: unknown };
  const newest = useRef({ originals, setSearch, state });
  newest.current = { originals, setSearch, state };
  const go = useCallback((to: number) => {
    const next = newest.current.originals[to];
    if (!next) return;
    ahead.current = to;
    asked.current = next.id;
    newest.current.setSearch(
      (before) => {
        before.set('at', next.id);
        return before;
      },
      // The state holds which pictures were chosen to be framed.
      { replace: true, state: newest.current.state },
    );
  }, []);
  return { at, original: originals[at], ahead, go };
}
