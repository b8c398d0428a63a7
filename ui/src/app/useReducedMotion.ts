import { useSyncExternalStore } from 'react';

const wish = () => window.matchMedia('(prefers-reduced-motion: reduce)');

function subscribe(onChange: () => void) {
  const now = wish();
  now.addEventListener('change', onChange);
  return () => now.removeEventListener('change', onChange);
}

/** Whether somebody asked the system for less motion. */
export function useReducedMotion(): boolean {
  return useSyncExternalStore(subscribe, () => wish().matches);
}
