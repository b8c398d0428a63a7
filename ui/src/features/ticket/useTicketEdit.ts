import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useEffect, useState } from 'react';
import { Problem, type ProblemDetail } from '../../api/problems';
import { changeTicket, ticketsQuery, type TicketDocument, type TicketView } from './queries';

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
    mutationFn: (document: TicketDocument) => changeTicket(queries, ticket, document),
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
