import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Framing, Override, useFramings } from '../framing';
import type { ProofSubject } from '../pixels';
import { backgroundQuery, likenessQuery } from './queries';

interface Of {
  subject: ProofSubject | undefined;
  /** The picture that comes next: its background is grown while this one is looked at. */
  next: ProofSubject | undefined;
  /** Whether the plan grows one at all. */
  grows: boolean;
  /** Whether its weak places are looked at. */
  isMapWanted: boolean;
  edit: ReturnType<typeof useFramings>['edit'];
}

type Background = NonNullable<Override['background']>;

const nothingSaid: Background = { attempt: null, accepted: null, instead: null };

/** The background that is grown for a picture: how far it is, and what a person says to it. */
export function useBackground({ subject, next, grows, isMapWanted, edit }: Of) {
  const { data: view, error } = useQuery({
    ...backgroundQuery(grows ? subject : undefined),
    refetchInterval: ({ state }) => (state.data?.state === 'GROWING' ? 1000 : false),
  });
  const isReady = !grows || view?.state === 'READY';
  useQuery(backgroundQuery(grows && view !== undefined && view.state !== 'GROWING' ? next : undefined));
  const { data: weakPlaces } = useQuery(likenessQuery(grows && isReady && isMapWanted ? subject : undefined));
  const own = subject?.override.background ?? nothingSaid;
  const isAccepted = Boolean(view?.key) && own.accepted === view?.key;

  const set = (words: string, background: Background, framing?: Framing) => {
    if (!subject) return;
    edit(words, [
      { originalId: subject.originalId, override: { ...subject.override, background }, ...(framing && { framing }) },
    ]);
  };
  return {
    view,
    error,
    isReady,
    isAccepted,
    weakPlaces,
    accept: () => {
      if (view?.key) set('accepted the grown background', { ...own, accepted: view.key });
    },
    takeBack: () => set('took back the accepted background', { ...own, accepted: null }),
    tryAgain: () => set('tried another background', { ...nothingSaid, attempt: ((own.attempt ?? 1) % 999) + 1 }),
    fillInstead: (instead: 'MIRROR' | 'DRAWN_OUT') =>
      subject &&
      set('filled the background another way', { ...nothingSaid, instead }, notGrown(subject.framing)),
  };
}

function notGrown(framing: Framing): Framing {
  return framing.corners === 'GROWN' ? { ...framing, corners: 'DRAWN_OUT' } : framing;
}

/** The same picture with a fill that is there at once: what is compared with a grown background need not be grown itself. */
export function useNotGrown(subject: ProofSubject | undefined, grows: boolean): ProofSubject | undefined {
  return useMemo(
    () =>
      subject && grows
        ? {
            ...subject,
            override: { ...subject.override, background: { ...nothingSaid, instead: 'MIRROR' } },
            framing: notGrown(subject.framing),
          }
        : subject,
    [subject, grows],
  );
}
