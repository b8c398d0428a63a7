import { App, Button } from 'antd';
import { useState } from 'react';
import { Problem } from '../../api/problems';
import { FolderChooser } from './FolderChooser';
import { lastName } from './queries';

interface Props {
  /** What the button says of the folder that is looked at, before its name. */
  verb: string;
  /** Opens it; what is thrown is told, and the chooser stays. */
  onOpen: (root: string, path: string) => Promise<unknown>;
}

/** A link beside a place to drop pictures on: a folder of the server instead, whose pictures stay where they lie. */
export function OpenFolder({ verb, onOpen }: Props) {
  const [isChoosing, setChoosing] = useState(false);
  const { message } = App.useApp();
  const open = async (root: string, path: string) => {
    try {
      await onOpen(root, path);
      setChoosing(false);
    } catch (error) {
      void message.error(Problem.from(error).message);
    }
  };
  return (
    <>
      <Button type="link" onClick={() => setChoosing(true)}>
        Or open a folder that lies on the server
      </Button>
      {isChoosing && (
        <FolderChooser
          title="Open a folder on the server"
          okWords={({ path }) => `${verb} ${path === '' ? 'all of it' : `“${lastName('', path)}”`}`}
          onClose={() => setChoosing(false)}
          onChoose={(root, path) => void open(root, path)}
        >
          <p className="quiet">
            Its pictures, and those of its subfolders, stay where they are. Nothing is copied, nothing there is changed.
          </p>
        </FolderChooser>
      )}
    </>
  );
}
