/**
 * What was announced to a job and has not arrived, kept in this browser: if the page is closed on the way, the next visit
 * says which files are missing. Only names can be kept; a browser does not open files again by itself.
 */
const key = (jobId: string) => `embrick.announced.${jobId}`;

/** Names beyond this are not kept one by one: a browser gives a site a few megabytes. */
const MOST_NAMES = 20_000;

/** A stored list that was tampered with, or a browser that keeps nothing, counts as nothing announced. */
export function announced(jobId: string): string[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(key(jobId)) ?? '[]');
    return Array.isArray(stored) ? stored.filter((path) => typeof path === 'string') : [];
  } catch {
    return [];
  }
}

export function announce(jobId: string, paths: string[]) {
  try {
    if (paths.length === 0) localStorage.removeItem(key(jobId));
    else localStorage.setItem(key(jobId), JSON.stringify(paths.slice(0, MOST_NAMES)));
  } catch {
    // Without room in the browser's store files arrive all the same.
  }
}

/** Of what was announced, what the job has not got; paths are compared as the server keeps them. */
export function neverCame(jobId: string, present: string[]): string[] {
  const here = new Set(present.map((path) => path.normalize()));
  return announced(jobId).filter((path) => !here.has(path.normalize()));
}
