import { Button, Dropdown, InputNumber, Popover, Space } from 'antd';
import { useState } from 'react';
import { TextForm } from './phrases';
import type { TicketDocument } from './queries';
import { brickWords, newBricks } from './words';

type Bricks = TicketDocument['names'];

/** The bricks a name is laid from: moved with the mouse or by their own buttons, added at the end. */
export function NameBricks({ value, onChange }: { value: Bricks; onChange: (value: Bricks) => void }) {
  const [dragged, setDragged] = useState<number>();
  const move = (from: number, to: number) => {
    if (to < 0 || to >= value.length) return;
    const next = [...value];
    next.splice(to, 0, ...next.splice(from, 1));
    onChange(next);
  };
  const change = (at: number, brick: Bricks[number]) => onChange(value.map((one, i) => (i === at ? brick : one)));
  return (
    <span className="bricks">
      {value.map((brick, at) => (
        <Popover
          key={`${at}-${brick.kind}`}
          trigger="click"
          title={`Name brick ${at + 1}`}
          content={
            <Space direction="vertical">
              {brick.kind === 'words' && (
                <TextForm label="words" value={brick.text} onChange={(text) => change(at, { kind: 'words', text })} />
              )}
              {brick.kind === 'number' && (
                <label className="field">
                  <span>digits</span>
                  <InputNumber
                    min={1}
                    max={9}
                    value={brick.digits}
                    onChange={(digits) => digits && change(at, { kind: 'number', digits })}
                  />
                </label>
              )}
              <Space>
                <Button disabled={at === 0} onClick={() => move(at, at - 1)}>
                  ← earlier
                </Button>
                <Button disabled={at === value.length - 1} onClick={() => move(at, at + 1)}>
                  later →
                </Button>
                <Button disabled={value.length === 1} onClick={() => onChange(value.filter((_, i) => i !== at))}>
                  take away
                </Button>
              </Space>
            </Space>
          }
        >
          <button
            type="button"
            className="brick"
            draggable
            aria-label={`Name brick ${at + 1}: ${brickWords(brick)}`}
            onDragStart={() => setDragged(at)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => dragged !== undefined && move(dragged, at)}
          >
            {brickWords(brick)}
          </button>
        </Popover>
      ))}
      <Dropdown
        trigger={['click']}
        menu={{
          items: newBricks.map(({ label }, key) => ({ key, label })),
          onClick: ({ key }) => onChange([...value, newBricks[Number(key)]!.brick]),
        }}
      >
        <button type="button" className="brick brick-new" aria-label="Add a name brick">
          +
        </button>
      </Dropdown>
    </span>
  );
}
