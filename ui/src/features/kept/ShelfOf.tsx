import { useMutation } from '@tanstack/react-query';
import { App, Button, Popconfirm } from 'antd';
import { useRef, useState, type ReactNode } from 'react';
import { Problem } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { NameField } from '../../shared/NameField';
import { Empty } from '../../shared/states';
import './kept.css';

/** One thing under a name. */
export interface OnShelf {
  id: string;
  name: string;
  /** What it is, in a line. */
  words: ReactNode;
  file: string;
  /** What else can be said of it. */
  more?: ReactNode;
  rename: (name: string) => Promise<unknown>;
  /** Keeps the same under another name. */
  copy: (name: string) => Promise<unknown>;
  remove: () => Promise<unknown>;
}

interface Props {
  title: string;
  /** What one is called. */
  called: string;
  empty: { title: string; words: ReactNode };
  things: OnShelf[];
  /** What can be done beside adding files. */
  actions?: ReactNode;
  add: (file: File) => Promise<{ name: string }>;
  /** What is told of deleting one. */
  deleting: string;
  /** After anything was changed. */
  onChanged: () => void;
}

/** Things that are kept under names: renamed, deleted, downloaded, and added from files. */
export function ShelfOf({ title, called, empty, things, actions, add, deleting, onChanged }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; problem: Problem }[]>([]);
  const { message } = App.useApp();
  const adding = useMutation({
    mutationFn: async (files: File[]) => {
      setRefused([]);
      for (const one of files) {
        // One that is refused does not keep the others out.
        try {
          void message.success(`“${(await add(one)).name}” was added.`);
        } catch (error) {
          setRefused((before) => [...before, { name: one.name, problem: Problem.from(error) }]);
        }
      }
    },
    onSettled: onChanged,
  });
  return (
    <main className="shell-body kept">
      <div className="kept-head">
        <h1>{title}</h1>
        <span className="kept-actions">
          {actions}
          <Button loading={adding.isPending} onClick={() => input.current?.click()}>
            Add from a file
          </Button>
        </span>
        <input
          ref={input}
          type="file"
          hidden
          multiple
          accept=".json"
          aria-label={`Files of a ${called}`}
          onChange={({ target }) => {
            if (target.files) adding.mutate([...target.files]);
            target.value = '';
          }}
        />
      </div>
      {refused.map(({ name, problem }) => (
        <p key={name} className="kept-refused" role="alert">
          ■ {name}: {problem.message} {problem.remedy}
        </p>
      ))}
      {things.length === 0 ? (
        <Empty title={empty.title}>{empty.words}</Empty>
      ) : (
        <ul className="card kept-list">
          {things.map((thing) => (
            <One key={thing.id} thing={thing} called={called} deleting={deleting} onChanged={onChanged} />
          ))}
        </ul>
      )}
    </main>
  );
}

function One({ thing, called, deleting, onChanged }: { thing: OnShelf } & Pick<Props, 'called' | 'deleting' | 'onChanged'>) {
  const { message } = App.useApp();
  const done = {
    onSettled: onChanged,
    onError: (error: unknown) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`, 8),
  };
  const rename = useMutation({ mutationFn: thing.rename, ...done });
  const copy = useMutation({ mutationFn: thing.copy, ...done });
  const remove = useMutation({ mutationFn: thing.remove, ...done });
  return (
    <li className="kept-one">
      <div className="kept-words">
        <strong>{thing.name}</strong>
        <span className="quiet">{thing.words}</span>
      </div>
      {thing.more}
      <FormPopover
        label={`Name of this ${called}`}
        content={<NameField label={`name of this ${called}`} value={thing.name} onKeep={(name) => rename.mutate(name)} />}
      >
        <Button type="text">Rename</Button>
      </FormPopover>
      <FormPopover
        label="Name of the copy"
        content={
          <NameField label="name of the copy" value={`${thing.name} 2`} action="Copy" onKeep={(name) => copy.mutate(name)} />
        }
      >
        <Button type="text" loading={copy.isPending}>
          Copy
        </Button>
      </FormPopover>
      <Button type="text" href={thing.file}>
        Download
      </Button>
      <Popconfirm
        title={`Delete “${thing.name}”?`}
        description={deleting}
        okText="Delete"
        cancelText="Cancel"
        onConfirm={() => remove.mutate()}
      >
        <Button type="text" loading={remove.isPending}>
          Delete
        </Button>
      </Popconfirm>
    </li>
  );
}
