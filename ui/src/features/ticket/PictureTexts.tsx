import { Modal } from 'antd';
import { useState } from 'react';
import { count } from '../../shared/format';
import { usualMetadata, type TicketView } from './queries';
import { TextsFields, type Texts } from './TextsFields';
import { hasWords } from './words';

interface Props {
  ticket: TicketView;
  pictures: number;
  /** What the first of them has already. */
  value: Texts | undefined;
  onKeep: (texts: Texts | null) => void;
  onClose: () => void;
}

/** Title, caption, creators, rights and keywords for a group of pictures, written into their files under one ticket. */
export default function PictureTexts({ ticket, pictures, value, onKeep, onClose }: Props) {
  const [texts, setTexts] = useState(value ?? usualMetadata.texts);
  return (
    <Modal
      open
      title={`Title and caption of ${count(pictures, 'picture')}`}
      okText="Save"
      cancelText="Cancel"
      onOk={() => {
        onKeep(hasWords(texts) ? texts : null);
        onClose();
      }}
      onCancel={onClose}
    >
      <p className="quiet">
        Written into the files that “{ticket.document.name}” makes, in Exif, IPTC and XMP. Empty fields leave what the ticket or
        the original says.
      </p>
      <div className="own-form">
        <TextsFields value={texts} onChange={setTexts} />
      </div>
    </Modal>
  );
}
