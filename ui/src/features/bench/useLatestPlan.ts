import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import type { TicketDocument } from '../ticket';
import { same, type Framing } from './framing';

/** A plan with the picture and framing it was made for. */
export interface Planned {
  originalId: string;
  ticket: TicketDocument;
  framing: Framing;
  plan: Schemas['PlanNumbers'];
  notices: Schemas['NoticeView'][];
}

interface Wish {
  originalId: string;
  ticket: TicketDocument;
  framing: Framing;
}

/**
 * The exact plan of a framing while it changes: at most one request is on its way, and when it is answered the newest
 * wish goes next, so the last answer wins.
 */
export function useLatestPlan(originalId: string | undefined, ticket: TicketDocument | undefined, framing: Framing) {
  const [planned, setPlanned] = useState<Planned>();
  const [error, setError] = useState<Problem>();
  const busy = useRef(false);
  const wish = useRef<Wish>(undefined);

  useEffect(() => {
    if (!originalId || !ticket) return;
    wish.current = { originalId, ticket, framing };
    const next = async () => {
      if (busy.current || !wish.current) return;
      const asked = wish.current;
      wish.current = undefined;
      busy.current = true;
      try {
        const told = await answer(
          api.POST('/api/v1/originals/{id}/plan', {
            params: { path: { id: asked.originalId } },
            body: { ticket: asked.ticket, framing: asked.framing },
          }),
        );
        if (told.plan) {
          setPlanned({ ...asked, plan: told.plan, notices: told.notices });
          setError(undefined);
        } else if (told.problems[0]) {
          const { text, remedy, code, subject } = told.problems[0];
          setPlanned(undefined);
          setError(Problem.of({ code, problems: [{ code, subject, text, remedy }] }, 422));
        }
      } catch (failed) {
        setError(Problem.from(failed));
      } finally {
        busy.current = false;
        void next();
      }
    };
    void next();
  }, [originalId, ticket, framing]);

  const current = planned && planned.originalId === originalId && planned.ticket === ticket ? planned : undefined;
  return { planned: current, isExact: current !== undefined && same(current.framing, framing), error };
}
