import { Modal } from 'antd';

const keys: [string[], string][] = [
  [['Enter'], 'accept and next'],
  [['Backspace'], 'back one'],
  [['←', '→', '↑', '↓'], 'move the picture by 1 mm of paper'],
  [['Shift', 'arrow'], 'move it by 5 mm'],
  [['Q'], 'looser'],
  [['W'], 'tighter'],
  [['A'], 'tilt back by 0.1°'],
  [['S'], 'tilt on by 0.1°'],
  [['T'], 'turn the sheet'],
  [['G'], 'next guide'],
  [['0'], 'start again with this picture'],
  [['Ctrl', 'Z'], 'undo'],
  [['Ctrl', 'Shift', 'Z'], 'redo'],
  [['?'], 'this sheet'],
];

export function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} onCancel={onClose} footer={null} title="Keys of the bench" width={420}>
      <dl className="keys">
        {keys.map(([names, does]) => (
          <div key={does}>
            <dt>
              {names.map((name) => (
                <kbd key={name}>{name}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet">The mouse: drag to move, wheel to tighten.</p>
    </Modal>
  );
}
