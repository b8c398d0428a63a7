import { App, Button } from 'antd';
import { useRef, type ChangeEvent, type ReactNode } from 'react';
import { count } from '../../shared/format';
import { useDrop } from '../../shared/useDrop';
import { chosen, entriesOf, walk, type ArrivingFile } from './walkDropped';
import './intake.css';

interface Props {
  title: string;
  children?: ReactNode;
  onFiles: (files: ArrivingFile[], folder: string) => void;
}

/** A place for folders and files, by dropping or by choosing. */
export function DropPlace({ title, children, onFiles }: Props) {
  const folders = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const { notification } = App.useApp();

  const takeChosen = ({ target }: ChangeEvent<HTMLInputElement>) => {
    if (target.files && target.files.length > 0) {
      const { files: found, folder } = chosen(target.files);
      onFiles(found, folder);
    }
    // The same files can be chosen once more.
    target.value = '';
  };
  const takeDropped = async (items: DataTransferItemList) => {
    const { files: found, folder, unread } = await walk(entriesOf(items));
    if (unread.length > 0) {
      notification.error({
        title: `${count(unread.length, 'file or folder', 'files or folders')} could not be read`,
        description: `${unread.slice(0, 3).join(', ')}${unread.length > 3 ? ` and ${unread.length - 3} more` : ''}. Check that they still exist and may be read, then drop them again.`,
        duration: 0,
      });
    }
    if (found.length > 0 || unread.length === 0) onFiles(found, folder);
  };

  const drop = useDrop((dropped) => void takeDropped(dropped.items));

  return (
    <section
      className={`drop${drop.isOver ? ' drop-over' : ''}`}
      aria-label={title}
      {...drop.handlers}
    >
      <div>
        <p className="drop-title">{title}</p>
        <p className="quiet">{children}</p>
      </div>
      <span className="drop-buttons">
        <Button type="primary" onClick={() => folders.current?.click()}>
          Choose a folder
        </Button>
        <Button onClick={() => files.current?.click()}>Choose files</Button>
      </span>
      <input
        ref={folders}
        type="file"
        hidden
        aria-label="Folder"
        data-role="folder"
        {...{ webkitdirectory: '' }}
        onChange={takeChosen}
      />
      <input
        ref={files}
        type="file"
        hidden
        multiple
        aria-label="Files"
        data-role="files"
        onChange={takeChosen}
      />
    </section>
  );
}
