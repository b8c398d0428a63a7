import { answer, api } from '../../api/client';
import type { ArrivingFile } from './walkDropped';

/** Files on their way at once: enough to keep disk and decoder busy on two cores. */
const AT_ONCE = 4;
/** Files offered in one request. */
const OFFERED = 2000;

export interface Failure {
  path: string;
  error: unknown;
}

/** Of these files, those that the job has not got yet. */
export async function missing(jobId: string, files: ArrivingFile[]): Promise<ArrivingFile[]> {
  const wanted = new Set<string>();
  for (let from = 0; from < files.length; from += OFFERED) {
    const offered = files.slice(from, from + OFFERED).map(({ path, file }) => ({ path, bytes: file.size }));
    const told = await answer(
      api.POST('/api/v1/jobs/{jobId}/intake', { params: { path: { jobId } }, body: { files: offered } }),
    );
    told.missing.forEach((path) => wanted.add(path));
  }
  return files.filter(({ path }) => wanted.has(path));
}

/** Sends files, a few at a time; one that fails does not stop the others. */
export async function send(
  jobId: string,
  files: ArrivingFile[],
  onArrived: (done: number) => void,
): Promise<Failure[]> {
  const failures: Failure[] = [];
  let next = 0;
  let done = 0;
  const worker = async () => {
    for (let at = next++; at < files.length; at = next++) {
      const { path, file } = files[at]!;
      try {
        await answer(
          api.PUT('/api/v1/jobs/{jobId}/originals', {
            params: { path: { jobId }, query: { path } },
            body: file as unknown as string,
            bodySerializer: (body) => body,
            headers: { 'Content-Type': 'application/octet-stream' },
          }),
        );
      } catch (error) {
        failures.push({ path, error });
      }
      onArrived(++done);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
  return failures;
}
