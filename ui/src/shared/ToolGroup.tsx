import { Button } from 'antd';
import type { ReactNode } from 'react';
import { FormPopover } from './FormPopover';

interface Props {
  name: string;
  /** Whether something in it is on that usually is not. */
  isMarked?: boolean;
  children: ReactNode;
}

/** Tools that are wanted less often, behind one button, so that the daily ones keep to one row. All have their keys. */
export function ToolGroup({ name, isMarked = false, children }: Props) {
  return (
    <FormPopover label={name} placement="top" content={<div className="tool-group">{children}</div>}>
      <Button className={isMarked ? 'own-marked' : ''} aria-haspopup="dialog">
        {name} <span aria-hidden="true">▴</span>
      </Button>
    </FormPopover>
  );
}
