import { useHotkeys } from 'react-hotkeys-hook';
import { wasClicked } from './focusOrigin';
import { areSingleKeysOn } from './singleKeys';

/**
 * Hears the keys of the whole page while it is shown, always by the newest handler; not those that are typed somewhere, nor
 * those that the browser or a dialog has for itself.
 */
export function useKeys(handle: (event: KeyboardEvent) => void) {
  const hear = (event: KeyboardEvent) => {
    // A control that was clicked would act on it too.
    if (isPress(event) && (event.target as HTMLElement).closest(CONTROLS)) event.preventDefault();
    handle(event);
  };
  useHotkeys('*', hear, {
    // Which fields keep which keys is said below: a choice that was clicked keeps its own arrows and blank only.
    enableOnFormTags: true,
    ignoreEventWhen: isKept,
  });
}

/** Fields that take no letters. */
const CHOICES = 'input[type="radio"], input[type="checkbox"], input[type="range"]';
const CONTROLS = `button, a, summary, [role="button"], [role="tab"], [role="radio"], ${CHOICES}`;

const isPress = ({ key }: KeyboardEvent) => key === 'Enter' || key === ' ';

/** Whether a key is another's: the browser's, a control's, a field's or a dialog's. */
function isKept(event: KeyboardEvent): boolean {
  // Alt with an arrow goes back in the browser's history; Alt alone holds snapping, which is no key of a page.
  if (event.altKey) return true;
  const target = event.target as HTMLElement;
  if (target.closest('[role="dialog"]')) return true;
  const isLetter = /^[^\s]$/.test(event.key);
  if (isLetter && !event.ctrlKey && !event.metaKey && !areSingleKeysOn()) return true;
  if (target.closest('[role="slider"]') && event.key.startsWith('Arrow')) return true;
  if (isPress(event) && target.closest(CONTROLS)) return !wasClicked() || target.closest('.ant-popover, [role="menu"]') !== null;
  // A list that was chosen from by the pointer keeps the focus, and takes letters for nothing.
  if (target.matches('[role="combobox"][aria-expanded="false"][readonly]') && wasClicked()) return false;
  const isChoice = target.matches(CHOICES) && isLetter;
  return !isChoice && target.closest('input, textarea, select, [contenteditable]') !== null;
}
