import { InputNumber, Modal } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { count } from '../../shared/format';
import { usualMetadata, type TicketView } from './queries';
import { TextsFields } from './TextsFields';
import { hasWords } from './words';

type Own = Pick<Schemas['OverrideDocument'], 'copies' | 'texts'>;

interface Props {
  ticket: TicketView;
  pictures: number;
  /** What the first of them has already. */
  value: Own;
  onKeep: (own: Own) => void;
  onClose: () => void;
}

/** Copies, title, caption, creators, rights and keywords for a group of pictures under one ticket. */
export default function PictureTexts({ ticket, pictures, value, onKeep, onClose }: Props) {
  const [copies, setCopies] = useState(value.copies ?? null);
  const [texts, setTexts] = useState(value.texts ?? usualMetadata.texts);
  return (
    <Modal
      open
      title={`Copies and caption of ${count(pictures, 'picture')}`}
      okText="Save"
      cancelText="Cancel"
      onOk={() => {
        onKeep({ copies, texts: hasWords(texts) ? texts : null });
        onClose();
      }}
      onCancel={onClose}
    >
      <div className="own-form">
        <p className="quiet">
          For the files that “{ticket.document.name}” makes. Empty fields leave what the ticket or the original says.
        </p>
        <label className="field">
          <span>copies of each</span>
          <InputNumber
            min={1}
            max={999}
            precision={0}
            value={copies}
            placeholder={String(ticket.document.copies)}
            onChange={setCopies}
          />
        </label>
        <TextsFields value={texts} onChange={setTexts} />
      </div>
    </Modal>
  );
}
