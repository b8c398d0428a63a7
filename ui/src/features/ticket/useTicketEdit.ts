import { useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { ticketsQuery, type TicketDocument, type TicketView } from './queries';
import { ticketEdits } from './ticketEdits';
import { followed } from './ticketNames';

/**
 * A ticket that is kept as it is changed. What cannot work stays on the page with its reason and is not kept; what
 * another window changed meanwhile is never overwritten.
 */
export function useTicketEdit(ticket: TicketView) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  // One queue for each ticket, whatever list it was last seen in.
  // oxlint-disable-next-line react/exhaustive-deps
  const edits = useMemo(() => ticketEdits(queries, ticket, (text) => void message.warning(text, 8)), [queries, ticket.id]);
  useEffect(() => edits.learn(ticket), [edits, ticket]);
  const { document, problems, isKept } = useSyncExternalStore(edits.subscribe, edits.current);
  useEffect(() => {
    if (isKept) return;
    const hold = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', hold);
    return () => window.removeEventListener('beforeunload', hold);
  }, [isKept]);
  const change = useCallback(
    (part: Partial<TicketDocument>) => {
      const tickets = queries.getQueryData(ticketsQuery(ticket.jobId).queryKey) ?? [];
      const others = tickets.filter(({ id }) => id !== ticket.id).map((other) => other.document);
      const whole = followed(edits.current().document, part, others);
      edits.history.did(edits.current().document, whole);
      edits.edit(whole);
    },
    [edits, queries, ticket.id, ticket.jobId],
  );
  const step = useCallback(
    (which: 'undo' | 'redo') => {
      const part = edits.history[which](edits.current().document);
      if (part) edits.edit(part);
      else void message.info('There is nothing to undo here: the ticket was changed in another window since.');
    },
    [edits, message],
  );
  return { document, change, problems, isKept, step, undoes: edits.history.undoes, redoes: edits.history.redoes };
}
