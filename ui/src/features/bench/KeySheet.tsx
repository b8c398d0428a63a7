import { Modal } from 'antd';
import { keyLines } from './keys';

export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Modal open onCancel={onClose} footer={null} title="Keys of the bench" width={560}>
      <dl className="keys">
        {keyLines.map(({ keys, does }) => (
          <div key={does}>
            <dt>
              {keys.map((name) => (
                <kbd key={name}>{name}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet">
        The mouse: drag to move, wheel or two fingers to tighten. A line’s ends and a free frame’s sides are reached with
        Tab and moved with the arrow keys.
      </p>
    </Modal>
  );
}
