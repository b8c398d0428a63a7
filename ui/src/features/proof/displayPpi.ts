import { useSyncExternalStore } from 'react';

/** Pixels of CSS to a real inch of this display: set once against a real ruler, kept in this browser. */
const KEY = 'embrick.display-ppi';

/** What CSS takes an inch to be where nobody has measured. */
export const ASSUMED_PPI = 96;

const listeners = new Set<() => void>();

export function setDisplayPpi(ppi: number) {
  localStorage.setItem(KEY, String(ppi));
  listeners.forEach((listener) => listener());
}

/** Undefined where it was never set. */
export function useDisplayPpi(): number | undefined {
  const kept = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => localStorage.getItem(KEY),
  );
  const ppi = Number(kept);
  return kept !== null && ppi >= 20 && ppi <= 1000 ? ppi : undefined;
}
