import { useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import type { Override, useFramings } from '../framing';
import { keepOnTicket, type useActiveTicket } from '../ticket';
import type { Tried } from './Trial';

interface Of {
  ticket: ReturnType<typeof useActiveTicket>;
  original: Schemas['OriginalView'] | undefined;
  override: Override | undefined;
  edit: ReturnType<typeof useFramings>['edit'];
}

/** What is tried in the proof without being kept, and the two ways to keep it. */
export function useTried({ ticket, original, override, edit }: Of) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const [tried, setTried] = useState<Tried>({});

  const keepOnItsTicket = async () => {
    if (!ticket) return;
    const [refusal] = await keepOnTicket(queries, ticket, tried, (text) => void message.warning(text, 8));
    if (refusal) {
      void message.warning(`${refusal.text} ${refusal.remedy}`);
    } else {
      setTried({});
      void message.success('The ticket has been changed.');
    }
  };
  const keepForThis = () => {
    if (!original || !override || !tried.sharpening) return;
    edit('set sharpening for this picture', [
      { originalId: original.id, override: { ...override, sharpening: tried.sharpening } },
    ]);
    setTried({});
  };

  return {
    tried,
    isTrying: Object.values(tried).some((one) => one !== undefined),
    setTried,
    keepOnItsTicket,
    keepForThis,
  };
}
