import type { KeyLine } from '../../shared/KeySheet';

/** What can be done on the bench by a key. */
export type BenchCommand =
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
  | 'border'
  | 'next-print'
  | 'find-level'
  | 'blur'
  | 'size'
  | 'folds'
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

interface BenchKey extends KeyLine {
  command?: BenchCommand;
}

/** Embrick's own keys, in the order of the key sheet. Those without a command belong to what has the focus. */
export const keyLines: BenchKey[] = [
  { keys: ['Enter'], does: 'accept and next', command: 'accept' },
  { keys: ['Backspace'], does: 'previous picture', command: 'back' },
  { keys: ['←', '→', '↑', '↓'], does: 'move the picture by 1 mm of paper, with Shift by 5' },
  { keys: ['Q'], does: 'show more of the picture', command: 'looser' },
  { keys: ['W'], does: 'show less of the picture', command: 'tighter' },
  { keys: ['A'], does: 'tilt left by 0.1°, with Shift by 1°', command: 'tilt-back' },
  { keys: ['S'], does: 'tilt right by 0.1°, with Shift by 1°', command: 'tilt-on' },
  { keys: ['E'], does: 'draw a level line; press again to cancel', command: 'level' },
  { keys: ['D'], does: 'find a scan’s border; again to take it, with Shift the next print', command: 'border' },
  { keys: ['F'], does: 'find how far the picture leans; again to take it', command: 'find-level' },
  { keys: ['P'], does: 'point at an edge: its blur is measured; again to undo that blur', command: 'blur' },
  { keys: ['Z'], does: 'true size: two points and the length between them, or the scanner’s ppi', command: 'size' },
  { keys: ['K'], does: 'mark detail near folds and trims, and find the move that clears them; again to take it', command: 'folds' },
  { keys: ['T'], does: 'turn the sheet', command: 'turn-sheet' },
  { keys: ['B'], does: 'turn the picture by a quarter, with Shift back', command: 'quarter' },
  { keys: ['M'], does: 'mirror the picture', command: 'mirror' },
  { keys: ['U'], does: 'corners: covered, paper, drawn out', command: 'corners' },
  { keys: ['G'], does: 'next guide', command: 'guide' },
  { keys: ['N'], does: 'snap to edges, thirds and middle, on or off; hold Alt to suspend it', command: 'snap' },
  { keys: ['L'], does: 'loupe: output pixels at the pointer', command: 'loupe' },
  { keys: ['O'], does: 'settings for only this picture', command: 'own' },
  { keys: ['C'], does: 'carry this framing to others', command: 'carry' },
  { keys: ['0'], does: 'reset this picture', command: 'again' },
  { keys: ['Ctrl', 'Z'], does: 'undo', command: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], does: 'redo', command: 'redo' },
  { keys: ['?'], does: 'this list', command: 'keys' },
];

const plain: Record<string, BenchCommand> = {
  Enter: 'accept',
  Backspace: 'back',
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
  '?': 'keys',
};
for (const { keys, command } of keyLines) {
  if (command && keys.length === 1 && keys[0]!.length === 1) plain[keys[0]!.toLowerCase()] = command;
}

/** Held down, these go on; all others are done once, however long their key is held. */
export const repeats: ReadonlySet<BenchCommand> = new Set([
  'left',
  'right',
  'up',
  'down',
  'looser',
  'tighter',
  'tilt-back',
  'tilt-on',
]);

/** Which command a key asks for. */
export function commandOf(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>): BenchCommand | undefined {
  if (event.ctrlKey || event.metaKey) {
    if (event.key.toLowerCase() !== 'z') return undefined;
    return event.shiftKey ? 'redo' : 'undo';
  }
  if (event.altKey) return undefined;
  const command = plain[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  if (!event.shiftKey) return command;
  return command === 'quarter' ? 'quarter-back' : command === 'border' ? 'next-print' : command;
}
