/** At most so many pictures are looked at side by side: they share the server with whoever frames. */
const MOST_AT_ONCE = 2;
const looking = { now: 0, waiting: [] as (() => void)[] };

/** Does slow work when its turn comes. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (looking.now >= MOST_AT_ONCE) await new Promise<void>((go) => looking.waiting.push(go));
  looking.now++;
  try {
    return await work();
  } finally {
    looking.now--;
    looking.waiting.shift()?.();
  }
}
