import { Checkbox, Modal } from 'antd';
import type { ReactNode } from 'react';
import { switchSingleKeys, useSingleKeys } from './singleKeys';
import './keySheet.css';

export interface KeyLine {
  keys: string[];
  does: string;
}

interface Props {
  title: string;
  lines: KeyLine[];
  /** What else there is to know about hands and keys on this page. */
  children?: ReactNode;
  onClose: () => void;
}

/** The keys of a page, and the switch for those that are struck without Ctrl. */
export function KeySheet({ title, lines, children, onClose }: Props) {
  const areOn = useSingleKeys();
  return (
    <Modal open onCancel={onClose} footer={null} title={title} width={560}>
      <dl className={areOn ? 'keys' : 'keys keys-off'}>
        {lines.map(({ keys, does }) => (
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
      <Checkbox checked={areOn} onChange={(event) => switchSingleKeys(event.target.checked)}>
        letters and digits work without Ctrl
      </Checkbox>
      {children && <p className="quiet">{children}</p>}
    </Modal>
  );
}
