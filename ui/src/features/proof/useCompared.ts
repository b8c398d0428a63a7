import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useRested } from '../../shared/useRested';
import { noOverride } from '../framing';
import type { ProofPart, ProofSubject } from '../pixels';
import type { TicketDocument } from '../ticket';
import { overlayQuery, proofQuery, type Overlay } from './queries';

/** What the file is compared with. */
export type Beside = 'ORIGINAL' | 'UNSHARPENED' | 'TICKET' | 'COLOURS';

/** A part of the sheet is asked for when it has stayed so long: keys and hands are faster than parts can be made. */
const REST_MILLIS = 70;

/** The picture in its own colours is looked at on the screen; how its file would be packed does not matter. */
const ANY_FILE: TicketDocument['file'] = { kind: 'tiff', packing: 'PLAIN', depth: 'AS_ORIGINAL' };

interface Wanted {
  ordered: ProofSubject | undefined;
  subject: ProofSubject | undefined;
  /** The subject with nothing that has to be grown first. */
  plain: ProofSubject | undefined;
  part: ProofPart | undefined;
  compared: Beside;
  /** What is laid over the file; nothing where undefined. */
  overlay: Overlay | undefined;
}

/** The file's part, what it is compared with, and what is laid over it. */
export function useCompared({ ordered, subject, plain, part, compared, overlay }: Wanted) {
  const asked = useRested(part, REST_MILLIS) ?? part;
  const ownColours = useMemo<ProofSubject | undefined>(
    () =>
      plain && {
        ...plain,
        ticket: { ...plain.ticket, colour: { kind: 'keep' }, sharpening: { kind: 'none' }, file: ANY_FILE },
        override: { ...noOverride, background: plain.override.background },
      },
    [plain],
  );
  const after = useQuery(proofQuery(subject, asked));
  const before = useQuery(
    proofQuery(
      { TICKET: ordered, COLOURS: ownColours, ORIGINAL: subject, UNSHARPENED: subject }[compared],
      asked && {
        ...asked,
        show: compared === 'TICKET' || compared === 'COLOURS' ? 'FILE' : compared,
        look: compared === 'COLOURS' ? 'WHITE' : asked.look,
      },
    ),
  );
  const marks = useQuery(overlayQuery(overlay ?? 'unprintable', overlay && subject, asked));
  // What is on screen is told to be so only once the very part that is looked at has been asked for, and has come.
  const isExact = asked === part && [after, before, ...(overlay ? [marks] : [])].every(({ data, isPlaceholderData }) => data && !isPlaceholderData);
  return { before, after, marks, isExact };
}
