import { useHotkeys } from 'react-hotkeys-hook';
import { areSingleKeysOn } from './singleKeys';

/**
 * Hears the keys of the whole page while it is shown, always by the newest handler; not those that are typed somewhere, nor
 * those that the browser or a dialog has for itself.
 */
export function useKeys(handle: (event: KeyboardEvent, target: HTMLElement) => void) {
  useHotkeys('*', (event) => handle(event, event.target as HTMLElement), {
    // Which fields keep which keys is said below: a choice that was clicked keeps its own arrows and blank only.
    enableOnFormTags: true,
    ignoreEventWhen: isKept,
  });
}

/** Whether a key is another's: the browser's, a field's or a dialog's. */
function isKept(event: KeyboardEvent): boolean {
  // Alt with an arrow goes back in the browser's history; Alt alone holds snapping, which is no key of a page.
  if (event.altKey) return true;
  const target = event.target as HTMLElement;
  const isLetter = /^[^\s]$/.test(event.key);
  if (isLetter && !event.ctrlKey && !event.metaKey && !areSingleKeysOn()) return true;
  const isChoice = target.matches('input[type="radio"], input[type="checkbox"]') && isLetter;
  return (!isChoice && target.closest('input, textarea, select, [contenteditable]') !== null)
    || target.closest('[role="dialog"]') !== null;
}
