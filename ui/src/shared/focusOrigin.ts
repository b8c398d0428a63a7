/** Whether the last thing that moved the focus was the pointer; Tab and arrow keys in a group take it back. */
let byPointer = false;

// At the window and before all others: what a page does with a click, or a dialog with its keys, must not hide it.
window.addEventListener('pointerdown', () => (byPointer = true), true);
window.addEventListener('mousedown', () => (byPointer = true), true);
window.addEventListener('keydown', (event) => event.key === 'Tab' && (byPointer = false), true);

/**
 * Whether the focused control was clicked, not reached by Tab. Enter and the space bar then belong to the page: a hand that
 * clicked a picture and presses Enter means the picture on the stage.
 */
export const wasClicked = () => byPointer;
