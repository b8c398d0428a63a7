import type { Schemas } from './client';

type Picture = Schemas['PictureEstimate'];

/** What keeps a picture from being printed: it cannot be planned, or it waits for a person. */
export function whyNotPrinted({ problems, held }: Picture): Schemas['Problem'] | undefined {
  return problems[0] ?? held ?? undefined;
}

/** Whether it can be framed and proofed. */
export function isPlanned({ problems }: Picture): boolean {
  return problems.length === 0;
}
