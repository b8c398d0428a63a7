import type { Refusal } from './queries';

/** What a rule is about, and the phrase of the ticket that mends it, by its label. */
const rules: Record<Refusal['rule'], { words: string; phrase?: string }> = {
  FILE_TYPE: { words: 'File type', phrase: 'File' },
  SIZE: { words: 'Print size', phrase: 'Size' },
  PPI: { words: 'Resolution', phrase: 'Resolution' },
  PROFILE: { words: 'Colour profile', phrase: 'Colour' },
  FILE_BYTES: { words: 'Size of the file', phrase: 'File' },
  WHOLE: { words: 'The file itself' },
};

export const refusalWords = ({ rule, asked, has }: Refusal) =>
  `${rules[rule].words}: asked for ${asked}; this piece has ${has}.`;

/** Where refusals are mended: a link for each phrase of the ticket, once. */
export function mends(jobId: string, ticketId: string, refusals: Refusal[]): { to: string; words: string }[] {
  const phrases = new Set(refusals.flatMap(({ rule }) => rules[rule].phrase ?? []));
  return [...phrases].map((phrase) => ({
    to: `/jobs/${jobId}/ticket/${ticketId}#${phrase}`,
    words: `Change “${phrase}” on the ticket`,
  }));
}
