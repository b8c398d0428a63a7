import { useMutation, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { FormPopover } from '../../shared/FormPopover';
import { decimals } from '../../shared/format';
import { Failed } from '../../shared/states';
import { rollQuery, type RollState } from '../roll';
import type { Wish } from './wish';

interface Props {
  wish: Wish;
  /** Millimetres of paper that it needs. */
  length: number;
  disabled: boolean;
}

const METRE = 1000;
const INCH = 25.4;

/** Sends the pieces as they lie to the roll printer, once; says before what the loaded roll will come to. */
export function PrintOnRoll({ wish, length, disabled }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <FormPopover
      open={open}
      onOpenChange={setOpen}
      placement="bottomRight"
      title="Print on the roll"
      content={<Question wish={wish} length={length} />}
    >
      <Button type="primary" disabled={disabled}>
        Print on the roll
      </Button>
    </FormPopover>
  );
}

function Question({ wish, length }: { wish: Wish; length: number }) {
  const navigate = useNavigate();
  const roll = useQuery(rollQuery());
  // One key while it is asked: what is sent again after a broken line is printed once.
  const [key] = useState(() => crypto.randomUUID());
  const print = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/layouts/print', { params: { header: { 'Idempotency-Key': key } }, body: wish })),
    onSuccess: () => void navigate('/roll'),
  });
  if (print.isError) return <Failed error={print.error} again={() => print.mutate()} />;
  return (
    <div className="layout-print">
      {roll.isError && <Failed error={roll.error} again={() => void roll.refetch()} />}
      {roll.data && <p>{loadedWords(roll.data, wish, length)}</p>}
      <Button type="primary" disabled={roll.data?.state !== 'REACHED'} loading={print.isPending} onClick={() => print.mutate()}>
        Send it to the printer
      </Button>
    </div>
  );
}

/** What the roll that is in the printer will come to. */
export function loadedWords({ state, loaded }: RollState, wish: Wish, length: number): string {
  if (state === 'NOT_SET_UP') return 'No roll printer is set up.';
  if (!loaded) return 'The roll printer cannot be reached.';
  const inches = (millimetres: number) => `${decimals(millimetres / INCH, 0)} in`;
  if (loaded.width + 0.5 < wish.width) {
    return `A roll of ${inches(loaded.width)} is loaded; this is laid for ${inches(wish.width)}. It waits until such a roll is loaded.`;
  }
  const left = `${inches(loaded.width)} ${loaded.paper}, ${decimals(loaded.left / METRE, 2)} m left`;
  return loaded.left < length
    ? `${left}: ${decimals((length - loaded.left) / METRE, 2)} m too short. Printing continues on the next roll; no piece is lost.`
    : `${left}: enough for these ${decimals(length / METRE, 2)} m.`;
}
