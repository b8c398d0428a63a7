import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox } from 'antd';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { ticketsQuery, type TicketView } from './queries';

interface Props {
  jobId: string;
  tickets: TicketView[];
}

/** Which tickets a run of the job makes, and in which order they stand. */
export function TicketOrder({ jobId, tickets }: Props) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const key = ticketsQuery(jobId).queryKey;
  const arrange = useMutation({
    // One after the other: the last one that was asked for is the one that stays.
    scope: { id: `arrange ${jobId}` },
    mutationFn: (arranged: TicketView[]) =>
      answer(
        api.PUT('/api/v1/jobs/{jobId}/tickets', {
          params: { path: { jobId } },
          body: arranged.map(({ id, isOn }) => ({ ticketId: id, isOn })),
        }),
      ),
    onMutate: async (arranged) => {
      await queries.cancelQueries({ queryKey: key });
      queries.setQueryData(key, arranged);
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSettled: () => void queries.invalidateQueries({ queryKey: key }),
  });
  const swap = (at: number, to: number) => {
    const arranged = [...tickets];
    [arranged[at], arranged[to]] = [arranged[to]!, arranged[at]!];
    arrange.mutate(arranged);
  };
  return (
    <section className="card ticket-order" aria-label="Tickets of this job">
      <h2>One run makes</h2>
      <ol>
        {tickets.map((ticket, at) => (
          <li key={ticket.id}>
            <Checkbox
              checked={ticket.isOn}
              onChange={({ target }) =>
                arrange.mutate(tickets.map((one) => (one.id === ticket.id ? { ...one, isOn: target.checked } : one)))
              }
            >
              {ticket.document.name}
            </Checkbox>
            <span className="quiet">in {ticket.document.folder}</span>
            <span className="ticket-order-moves">
              <Button
                size="small"
                type="text"
                disabled={at === 0}
                aria-label={`Put ${ticket.document.name} earlier`}
                onClick={() => swap(at, at - 1)}
              >
                ↑
              </Button>
              <Button
                size="small"
                type="text"
                disabled={at === tickets.length - 1}
                aria-label={`Put ${ticket.document.name} later`}
                onClick={() => swap(at, at + 1)}
              >
                ↓
              </Button>
            </span>
          </li>
        ))}
      </ol>
      <p className="quiet">Each picture is opened once for all of them; each ticket has a folder of its own.</p>
    </section>
  );
}
