/** What can be done on the bench by a key. */
export type BenchAct =
  | 'accept'
  | 'back'
  | 'left'
  | 'right'
  | 'up'
  | 'down'
  | 'looser'
  | 'tighter'
  | 'tilt-back'
  | 'tilt-on'
  | 'turn-sheet'
  | 'quarter'
  | 'quarter-back'
  | 'mirror'
  | 'level'
  | 'corners'
  | 'guide'
  | 'snap'
  | 'loupe'
  | 'own'
  | 'carry'
  | 'again'
  | 'undo'
  | 'redo'
  | 'keys';

interface KeyLine {
  keys: string[];
  does: string;
  act?: BenchAct;
}

/** Embrick's own keys, in the order of the key sheet. Those without an act belong to what has the focus. */
export const keyLines: KeyLine[] = [
  { keys: ['Enter'], does: 'accept and next', act: 'accept' },
  { keys: ['Backspace'], does: 'back one', act: 'back' },
  { keys: ['←', '→', '↑', '↓'], does: 'move the picture by 1 mm of paper, with Shift by 5' },
  { keys: ['Q'], does: 'looser', act: 'looser' },
  { keys: ['W'], does: 'tighter', act: 'tighter' },
  { keys: ['A'], does: 'tilt back by 0.1°, with Shift by 1°', act: 'tilt-back' },
  { keys: ['S'], does: 'tilt on by 0.1°, with Shift by 1°', act: 'tilt-on' },
  { keys: ['E'], does: 'draw a level line; again, put it away', act: 'level' },
  { keys: ['T'], does: 'turn the sheet', act: 'turn-sheet' },
  { keys: ['B'], does: 'turn the picture by a quarter, with Shift back', act: 'quarter' },
  { keys: ['M'], does: 'mirror the picture', act: 'mirror' },
  { keys: ['U'], does: 'corners: covered, paper, drawn out', act: 'corners' },
  { keys: ['G'], does: 'next guide', act: 'guide' },
  { keys: ['N'], does: 'drawing to rim, thirds and middle on or off; Alt holds it off', act: 'snap' },
  { keys: ['L'], does: 'loupe: output pixels at the pointer', act: 'loupe' },
  { keys: ['O'], does: 'what this picture has of its own', act: 'own' },
  { keys: ['C'], does: 'carry this framing to others', act: 'carry' },
  { keys: ['0'], does: 'start again with this picture', act: 'again' },
  { keys: ['Ctrl', 'Z'], does: 'undo', act: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], does: 'redo', act: 'redo' },
  { keys: ['?'], does: 'this sheet', act: 'keys' },
];

const plain: Record<string, BenchAct> = {
  Enter: 'accept',
  Backspace: 'back',
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
  '?': 'keys',
};
for (const { keys, act } of keyLines) {
  if (act && keys.length === 1 && keys[0]!.length === 1) plain[keys[0]!.toLowerCase()] = act;
}

/** Which act a key asks for. */
export function actOf(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>): BenchAct | undefined {
  if (event.ctrlKey || event.metaKey) {
    if (event.key.toLowerCase() !== 'z') return undefined;
    return event.shiftKey ? 'redo' : 'undo';
  }
  if (event.altKey) return undefined;
  const act = plain[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  return act === 'quarter' && event.shiftKey ? 'quarter-back' : act;
}
