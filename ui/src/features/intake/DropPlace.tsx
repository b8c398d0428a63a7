import { Button } from 'antd';
import { useRef, useState, type ReactNode } from 'react';
import { chosen, entriesOf, walk, type ArrivingFile } from './walkDropped';
import './intake.css';

interface Props {
  title: string;
  children?: ReactNode;
  onFiles: (files: ArrivingFile[], folder: string) => void;
}

/** A place for folders and files, by dropping or by choosing. */
export function DropPlace({ title, children, onFiles }: Props) {
  const [over, setOver] = useState(false);
  const folders = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);

  const take = (list: FileList | null) => {
    if (!list || list.length === 0) return;
    const { files: found, folder } = chosen(list);
    onFiles(found, folder);
  };

  return (
    <section
      className={`drop${over ? ' drop-over' : ''}`}
      aria-label={title}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const entries = entriesOf(event.dataTransfer.items);
        void walk(entries).then(({ files: found, folder }) => onFiles(found, folder));
      }}
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
        onChange={(event) => take(event.target.files)}
      />
      <input
        ref={files}
        type="file"
        hidden
        multiple
        aria-label="Files"
        data-role="files"
        onChange={(event) => take(event.target.files)}
      />
    </section>
  );
}
