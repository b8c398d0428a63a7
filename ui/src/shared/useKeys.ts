import { useEffect, useRef } from 'react';

/** Hears the keys of the whole page while it is shown, always by the newest handler; not those that are typed somewhere. */
export function useKeys(handle: (event: KeyboardEvent, target: HTMLElement) => void) {
  const newest = useRef(handle);
  newest.current = handle;
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      // A choice that was clicked keeps its own arrows and blank; letters are the page's again.
      const isChoice = target.matches('input[type="radio"], input[type="checkbox"]') && /^[^\s]$/.test(event.key);
      if (!isChoice && target.closest('input, textarea, [contenteditable]')) return;
      if (target.closest('[role="dialog"]')) return;
      newest.current(event, target);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
