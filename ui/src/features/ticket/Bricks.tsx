import { Button, Dropdown, Space } from 'antd';
import { useState, type ReactNode } from 'react';
import { FormPopover } from '../../shared/FormPopover';

/** What words are laid from. */
type Brick = { kind: string };

interface Props<T extends Brick> {
  /** What one is called, for whoever hears the page. */
  name: string;
  value: T[];
  words: (brick: T) => string;
  fresh: { label: string; brick: T }[];
  /** What of one can be changed; nothing of many. */
  fields: (brick: T, onChange: (brick: T) => void) => ReactNode;
  onChange: (value: T[]) => void;
}

/** Bricks that words are laid from: moved with the mouse or by their own buttons, added at the end. */
export function Bricks<T extends Brick>({ name, value, words, fresh, fields, onChange }: Props<T>) {
  const [dragged, setDragged] = useState<number>();
  const move = (from: number, to: number) => {
    if (to < 0 || to >= value.length) return;
    const next = [...value];
    next.splice(to, 0, ...next.splice(from, 1));
    onChange(next);
  };
  const change = (at: number, brick: T) => onChange(value.map((one, i) => (i === at ? brick : one)));
  return (
    <span className="bricks">
      {value.map((brick, at) => (
        <FormPopover
          key={`${at}-${brick.kind}`}
          title={`${name} ${at + 1}`}
          content={
            <Space orientation="vertical">
              {fields(brick, (changed) => change(at, changed))}
              <Space>
                <Button disabled={at === 0} onClick={() => move(at, at - 1)}>
                  ← earlier
                </Button>
                <Button disabled={at === value.length - 1} onClick={() => move(at, at + 1)}>
                  later →
                </Button>
                <Button disabled={value.length === 1} onClick={() => onChange(value.filter((_, i) => i !== at))}>
                  remove
                </Button>
              </Space>
            </Space>
          }
        >
          <button
            type="button"
            className="brick"
            draggable
            aria-label={`${name} ${at + 1}: ${words(brick)}`}
            onDragStart={() => setDragged(at)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => dragged !== undefined && move(dragged, at)}
          >
            {words(brick)}
          </button>
        </FormPopover>
      ))}
      <Dropdown
        trigger={['click']}
        menu={{
          items: fresh.map(({ label }, key) => ({ key, label })),
          onClick: ({ key }) => onChange([...value, fresh[Number(key)]!.brick]),
        }}
      >
        <button type="button" className="brick brick-new" aria-label={`Add a ${name.toLowerCase()}`}>
          +
        </button>
      </Dropdown>
    </span>
  );
}
