import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Dropdown, Popconfirm } from 'antd';
import { useEffect } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { isPlanned, whyNotPrinted } from '../../api/estimates';
import { answer, api } from '../../api/client';
import { Problem, type ProblemDetail } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { count } from '../../shared/format';
import { ShownUnit } from '../../shared/LengthInput';
import { Failed, Loading } from '../../shared/states';
import { useJob } from '../jobs';
import { useOriginals } from '../originals';
import { useKeys } from '../../shared/useKeys';
import { useSavedTickets } from '../savedtickets';
import { Meaning } from './Meaning';
import { TextForm } from './phrases';
import { NearLines } from './NearLines';
import { TargetChoice } from '../targets';
import { useRuns } from '../run';
import { activate, beginningsQuery, estimateQuery, planQuery, startRun, startRunOfJob, ticketsQuery, useActiveTicket, useTickets, type Estimate, type TicketDocument, type TicketView } from './queries';
import { NamesShown } from './NamesShown';
import { Sentence } from './Sentence';
import { SheetDrawing } from './SheetDrawing';
import { SaveFor } from './SaveFor';
import { TicketOrder } from './TicketOrder';
import { UseKept } from './UseKept';
import { distinct } from './ticketNames';
import { useTicketEdit } from './useTicketEdit';
import '../../shared/field.css';
import './ticket.css';

export function TicketPage() {
  const { jobId = '', ticketId } = useParams();
  const tickets = useTickets(jobId);
  const active = useActiveTicket(jobId);
  useEffect(() => {
    if (ticketId) activate(jobId, ticketId);
  }, [jobId, ticketId]);
  if (tickets.isError) return <Failed error={tickets.error} again={() => void tickets.refetch()} />;
  if (!active || !tickets.data) return <Loading what="the tickets" />;
  return <OneTicket key={active.id} jobId={jobId} ticket={active} tickets={tickets.data} />;
}

function OneTicket({ jobId, ticket, tickets }: { jobId: string; ticket: TicketView; tickets: TicketView[] }) {
  const job = useJob(jobId).data;
  const originals = useOriginals(jobId).data ?? [];
  const { document, change, problems, isKept, step, undoes, redoes } = useTicketEdit(ticket);
  useKeys((event) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    event.preventDefault();
    const which = event.shiftKey ? 'redo' : 'undo';
    if ((which === 'undo' ? undoes : redoes).length > 0) step(which);
  });
  const estimate = useQuery(estimateQuery(jobId, job?.name ?? '', problems.length > 0 ? ticket.document : document, ticket.id)).data;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { message } = App.useApp();

  const byId = new Map(originals.map((original) => [original.id, original]));
  const framable = estimate?.pictures.filter(isPlanned) ?? [];
  const printable = framable.filter((picture) => !whyNotPrinted(picture));
  const refusals = refusedBy(estimate?.pictures ?? [], problems);
  const sample = framable.length > 0 ? byId.get(framable[0]!.originalId) : undefined;

  const plan = useQuery(planQuery(sample?.id, document)).data?.plan;

  const tell = (error: unknown) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`);
  const on = tickets.filter(({ isOn }) => isOn);
  const hasRun = useRuns(jobId).data?.some(({ orders, counts }) => counts.checked > 0 && orders.some(({ ticketId }) => ticketId === ticket.id));
  const run = useMutation({
    mutationFn: (of: 'ticket' | 'changed' | 'job') =>
      of === 'job' ? startRunOfJob(jobId, on.map(({ id }) => id)) : startRun(ticket.id, null, of === 'changed'),
    onSuccess: (started) => {
      void queries.invalidateQueries({ queryKey: ['runs', jobId] });
      void navigate(`/jobs/${jobId}/run/${started.id}`);
    },
    onError: tell,
  });
  const add = useMutation({
    mutationFn: (body: TicketDocument) =>
      answer(
        api.POST('/api/v1/jobs/{jobId}/tickets', {
          params: { path: { jobId } },
          body: distinct(body, [document, ...tickets.map((other) => other.document)]),
        }),
      ),
    onSuccess: (added) => {
      queries.setQueryData(ticketsQuery(jobId).queryKey, (before) => [...(before ?? []), added]);
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      activate(jobId, added.id);
      void navigate(`/jobs/${jobId}/ticket/${added.id}`);
    },
    onError: tell,
  });
  const saved = useSavedTickets();
  const beginnings = useQuery(beginningsQuery()).data ?? [];
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/tickets/{id}', { params: { path: { id: ticket.id } } })),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ticketsQuery(jobId).queryKey });
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/jobs/${jobId}/ticket`);
    },
    onError: tell,
  });

  return (
    <main className="shell-body ticket">
      <h1 className="visually-hidden">Ticket</h1>
      <div className="ticket-left">
        <nav className="dockets" aria-label="Tickets">
          {tickets.map((one) => (
            <Link
              key={one.id}
              to={`/jobs/${jobId}/ticket/${one.id}`}
              className={`docket${one.id === ticket.id ? ' docket-on' : ''}`}
              aria-current={one.id === ticket.id ? 'page' : undefined}
            >
              {one.id === ticket.id ? document.name : one.document.name}
            </Link>
          ))}
          <Dropdown
            trigger={['click']}
            menu={{
              items: [
                {
                  key: 'copy',
                  label: 'a copy of this one',
                  onClick: () => add.mutate(document),
                },
                ...beginnings.map((begun) => ({
                  key: begun.name,
                  label: begun.name,
                  onClick: () => add.mutate(begun),
                })),
                ...saved.map(({ id, name, document: kept }) => ({
                  key: id,
                  label: `saved: ${name}`,
                  onClick: () => add.mutate({ ...kept, name }),
                })),
              ],
            }}
          >
            <Button type="text" loading={add.isPending}>
              + another ticket
            </Button>
          </Dropdown>
        </nav>
        <section className="card docket-body" aria-label="Ticket">
          <ShownUnit value={document.unit}>
            <Sentence
              document={document}
              pieces={printable.length}
              problems={refusals}
              plan={plan ?? undefined}
              onChange={change}
            />
          </ShownUnit>
          {estimate && <NamesShown names={estimate.pictures.map(({ name }) => name)} />}
          <div className="docket-foot">
            <span role="status" className={problems.length > 0 ? 'docket-not-kept' : 'docket-kept'}>
              {problems.length > 0 ? '◆ Not saved: the marked phrase cannot work' : isKept ? 'Saved' : 'Saving…'}
            </span>
            <Button type="text" size="small" disabled={undoes.length === 0} title={undoTitle('Undo', undoes)} onClick={() => step('undo')}>
              Undo
            </Button>
            <Button type="text" size="small" disabled={redoes.length === 0} title={undoTitle('Redo', redoes)} onClick={() => step('redo')}>
              Redo
            </Button>
            <UseKept document={document} onChange={change} />
            <SaveFor document={document} />
            <FormPopover
              label="Name of this ticket"
              content={<TextForm label="name of this ticket" value={document.name} onChange={(name) => change({ name })} />}
            >
              <Button type="text" size="small">
                Rename
              </Button>
            </FormPopover>
            {tickets.length > 1 && (
              <Popconfirm
                title={`Delete “${document.name}”?`}
                description="Pieces that were made with it stay."
                okText="Delete"
                cancelText="Cancel"
                onConfirm={() => remove.mutate()}
              >
                <Button type="text" size="small" loading={remove.isPending}>
                  Delete this ticket
                </Button>
              </Popconfirm>
            )}
          </div>
        </section>
        {tickets.length > 1 && <TicketOrder jobId={jobId} tickets={tickets} />}
        {estimate && <Meaning jobId={jobId} estimate={estimate} originals={byId} />}
        <NearLines jobId={jobId} document={document} pictures={framable} originals={byId} />
        <p className="ticket-target">
          Its files go to a new folder in <TargetChoice jobId={jobId} />.
        </p>
        <div className="ticket-buttons">
          <Button type="primary" disabled={framable.length === 0} onClick={() => void navigate(`/jobs/${jobId}/bench`)}>
            Frame on the bench
          </Button>
          <Button
            disabled={printable.length === 0 || problems.length > 0}
            loading={run.isPending}
            onClick={() => run.mutate('ticket')}
          >
            {printable.length === 0 ? 'Nothing to run' : `Run ${count(printable.length, 'piece')} now`}
          </Button>
          {hasRun && (
            <Button
              disabled={printable.length === 0 || problems.length > 0}
              loading={run.isPending}
              title="Skips pieces that would come out identical and are still in the delivery"
              onClick={() => run.mutate('changed')}
            >
              Run only what changed
            </Button>
          )}
          {on.length > 1 && (
            <Button
              disabled={printable.length === 0 || problems.length > 0}
              loading={run.isPending}
              onClick={() => run.mutate('job')}
            >
              Run {on.length} tickets at once
            </Button>
          )}
        </div>
      </div>
      <SheetDrawing document={document} original={sample} isReading={estimate === undefined} onUnit={(unit) => change({ unit })} />
    </main>
  );
}

/** What the ticket's own values were refused for; else what pictures are refused for, said once at its phrase. */
function refusedBy(pictures: Estimate['pictures'], problems: ProblemDetail[]): ProblemDetail[] {
  if (problems.length > 0) return problems;
  const bySubject = new Map<string, ProblemDetail & { pictures: number }>();
  for (const { problems: own } of pictures) {
    for (const problem of own) {
      const known = bySubject.get(problem.subject);
      bySubject.set(problem.subject, { ...(known ?? problem), pictures: (known?.pictures ?? 0) + 1 });
    }
  }
  return [...bySubject.values()].map(({ pictures: concerned, ...problem }) => ({
    ...problem,
    text: concerned === pictures.length ? problem.text : `${count(concerned, 'picture')}: ${problem.text}`,
  }));
}

/** Phrases by their names in the document, which are plain words. */
function undoTitle(what: string, keys: string[]): string | undefined {
  return keys.length > 0 ? `${what}: ${keys.join(', ')}` : undefined;
}
