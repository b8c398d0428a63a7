import { useEffect, useRef } from 'react';
import { areSingleKeysOn } from './singleKeys';

/**
 * Hears the keys of the whole page while it is shown, always by the newest handler; not those that are typed somewhere, nor
 * those that the browser or a dialog has for itself.
 */
export function useKeys(handle: (event: KeyboardEvent, target: HTMLElement) => void) {
  const newest = useRef(handle);
  newest.current = handle;
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      // Alt with an arrow goes back in the browser's history; Alt alone holds snapping, which is no key of a page.
      if (event.altKey) return;
      const isLetter = /^[^\s]$/.test(event.key);
      if (isLetter && !event.ctrlKey && !event.metaKey && !areSingleKeysOn()) return;
      // A choice that was clicked keeps its own arrows and blank; letters are the page's again.
      const isChoice = target.matches('input[type="radio"], input[type="checkbox"]') && isLetter;
      if (!isChoice && target.closest('input, textarea, select, [contenteditable]')) return;
      if (target.closest('[role="dialog"]')) return;
      newest.current(event, target);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
