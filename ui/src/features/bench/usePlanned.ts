import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { startTransition, useCallback, useEffect, useMemo, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { held, seenSides, type Override, type Framing } from '../framing';
import { planQuery, type TicketDocument } from '../ticket';

/** Which picture is planned, and under what. */
export interface Subject {
  originalId: string;
  ticket: TicketDocument;
  override: Override;
}

/**
 * A plan with what it was made for.
 *
 * `framing` is what was asked for, held where the plan holds it: the plan's own centre is that framing's, and in the free
 * shape its sides are.
 */
export interface Planned {
  subject: Subject;
  asked: Framing;
  framing: Framing;
  plan: Schemas['PlanNumbers'];
  notices: Schemas['NoticeView'][];
}

/** The figures follow within a tenth of a second; asked for oftener they would only flicker. */
const APART_MILLIS = 50;

interface Wish {
  subject: Subject;
  framing: Framing;
}

type Told = { wish: Wish; planned: Planned } | { wish: Wish; problem: Problem };

/** At most one request is on its way, and when it is answered the newest wish goes next: the last answer wins. */
class Asker {
  private busy = false;
  private wish: Wish | undefined;

  constructor(
    private readonly queries: QueryClient,
    private readonly onTold: (told: Told) => void,
  ) {}

  ask(wish: Wish) {
    this.wish = wish;
    void this.next();
  }

  private async next() {
    const { wish } = this;
    if (this.busy || !wish) return;
    this.wish = undefined;
    this.busy = true;
    const until = performance.now() + APART_MILLIS;
    try {
      this.onTold(told(wish, await this.planOf(wish)));
    } catch (failed) {
      this.onTold({ wish, problem: Problem.from(failed) });
    }
    this.busy = false;
    if (this.wish) window.setTimeout(() => void this.next(), Math.max(0, until - performance.now()));
  }

  private planOf({ subject: { originalId, ticket, override }, framing }: Wish): Promise<Schemas['PlanView']> {
    const known = this.queries.getQueryData(planQuery(originalId, ticket, framing, override).queryKey);
    if (known) return Promise.resolve(known);
    return answer(
      api.POST('/api/v1/originals/{id}/plan', {
        params: { path: { id: originalId } },
        body: { ticket, framing, override },
      }),
    );
  }
}

function told(wish: Wish, { plan, notices, problems }: Schemas['PlanView']): Told {
  if (plan) {
    const { subject, framing } = wish;
    const sided = plan.handling.moves === 'FRAME' ? withSides(framing, plan) : framing;
    return { wish, planned: { subject, asked: framing, framing: held(sided, plan.limits), plan, notices } };
  }
  return { wish, problem: Problem.of({ code: problems[0]?.code ?? 'unexpected', problems }, 422) };
}

/** A tilt may leave pulled sides no room: then the plan's are shorter. Rounded to whole pixels they are the same. */
function withSides(framing: Framing, { width, height, frame }: Schemas['PlanNumbers']): Framing {
  const sides = seenSides(framing);
  const isShorter = sides.width * frame.seenWidth - width > 1.5 || sides.height * frame.seenHeight - height > 1.5;
  if (!isShorter) return framing;
  const [across, down] = [width / frame.seenWidth, height / frame.seenHeight];
  const free = framing.quarterTurns % 2 === 0 ? { width: across, height: down } : { width: down, height: across };
  return { ...framing, free };
}

/** The exact plan of a framing while it changes. */
export function usePlanned(subject: Subject | undefined, framing: Framing) {
  const queries = useQueryClient();
  const [latest, setLatest] = useState<Told>();
  // Figures give way to the hand: they are drawn in the time that its frames leave.
  const asker = useMemo(() => new Asker(queries, (news) => startTransition(() => setLatest(news))), [queries]);

  /** Asks for the plan of a framing under the hand. */
  const ask = useCallback(
    (moved: Framing) => {
      if (subject) asker.ask({ subject, framing: moved });
    },
    [asker, subject],
  );
  useEffect(() => ask(framing), [ask, framing]);

  // A plan that was fetched ahead is shown in the very drawing that brings its picture.
  const ahead = useMemo(() => {
    if (!subject) return undefined;
    const { originalId, ticket, override } = subject;
    const known = queries.getQueryData(planQuery(originalId, ticket, framing, override).queryKey);
    return known && told({ subject, framing }, known);
  }, [queries, subject, framing]);
  const current = latest?.wish.subject === subject ? latest : ahead;
  return {
    planned: current && 'planned' in current ? current.planned : undefined,
    error: current && 'problem' in current ? current.problem : undefined,
    ask,
  };
}

/** Has a picture's plan in the cache before it is asked for. */
export function usePlanAhead(subject: Subject | undefined, framing: Framing) {
  const queries = useQueryClient();
  useEffect(() => {
    if (subject) {
      void queries.prefetchQuery(planQuery(subject.originalId, subject.ticket, framing, subject.override));
    }
  }, [queries, subject, framing]);
}
