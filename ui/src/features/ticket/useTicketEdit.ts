import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useEffect, useState } from 'react';
import { answer, api } from '../../api/client';
import { Problem, type ProblemDetail } from '../../api/problems';
import { ticketsQuery, type TicketDocument, type TicketView } from './queries';

/**
 * A ticket that is kept as it is changed. What cannot work stays on the page with its reason and is not kept; what
 * another window changed meanwhile is never overwritten.
 */
export function useTicketEdit(ticket: TicketView) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const [draft, setDraft] = useState<TicketDocument>();
  const [problems, setProblems] = useState<ProblemDetail[]>([]);

  useEffect(() => {
    setDraft(undefined);
    setProblems([]);
  }, [ticket.id, ticket.version]);

  const save = useMutation({
    scope: { id: `ticket-${ticket.id}` },
    mutationFn: (document: TicketDocument) => {
      const known = queries
        .getQueryData(ticketsQuery(ticket.jobId).queryKey)
        ?.find((one) => one.id === ticket.id);
      return answer(
        api.PUT('/api/v1/tickets/{id}', {
          params: { path: { id: ticket.id }, header: { 'If-Match': `"${known?.version ?? ticket.version}"` } },
          body: document,
        }),
      );
    },
    onSuccess: (kept) => {
      queries.setQueryData(ticketsQuery(ticket.jobId).queryKey, (before) =>
        before?.map((one) => (one.id === kept.id ? kept : one)),
      );
    },
    onError: (error) => {
      const problem = Problem.from(error);
      if (problem.code === 'stale-version') {
        setDraft(undefined);
        void message.warning(`${problem.message} ${problem.remedy}`);
        void queries.invalidateQueries({ queryKey: ticketsQuery(ticket.jobId).queryKey });
      } else {
        setProblems(problem.problems);
      }
    },
  });

  const document = draft ?? ticket.document;
  const change = (part: Partial<TicketDocument>) => {
    const next = { ...document, ...part };
    setDraft(next);
    setProblems([]);
    save.mutate(next);
  };
  return { document, change, problems };
}
