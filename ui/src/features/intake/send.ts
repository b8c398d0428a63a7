import { answer, api, bytesOf } from '../../api/client';
import { Problem } from '../../api/problems';
import type { ArrivingFile } from './walkDropped';

/** Files on their way at once: enough to keep disk and decoder busy on two cores. */
const AT_ONCE = 4;
/** Files offered in one request. */
const OFFERED = 2000;
/** A page reads a file as a whole to tell its digest. */
const LARGEST_READ = 1 << 30;

export interface Failure {
  path: string;
  file: File;
  error: unknown;
}

/** Another picture of the same name was there already; this one stands beside it. */
export interface Beside {
  path: string;
  as: string;
}

export interface Sent {
  failures: Failure[];
  beside: Beside[];
  /** The job was deleted meanwhile: what was still to be sent was not. */
  isJobGone: boolean;
}

interface Offered {
  path: string;
  fileBytes: number;
  digest: string | null;
}

async function offer(jobId: string, files: Offered[]) {
  return answer(api.POST('/api/v1/jobs/{jobId}/intake', { params: { path: { jobId } }, body: { files } }));
}

/** SHA-256 of a file's content, in hexadecimal digits. */
async function digestOf(file: File): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()));
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/**
 * Of these files, those that the job has not got yet. A file of a known path and length may be another one all the same:
 * it is read here, and its content decides. One too large to be read at once is sent again, which changes nothing.
 */
export async function missing(jobId: string, files: ArrivingFile[]): Promise<ArrivingFile[]> {
  const wanted = new Set<string>();
  for (let from = 0; from < files.length; from += OFFERED) {
    const part = files.slice(from, from + OFFERED);
    const told = await offer(jobId, part.map(({ path, file }) => ({ path, fileBytes: file.size, digest: null })));
    told.missing.forEach((path) => wanted.add(path));
    const unsure = new Set(told.unsure);
    const read: Offered[] = [];
    for (const { path, file } of part.filter((one) => unsure.has(one.path) && one.file.size <= LARGEST_READ)) {
      read.push({ path, fileBytes: file.size, digest: await digestOf(file) });
    }
    if (read.length > 0) {
      const certain = new Set((await offer(jobId, read)).missing);
      read.filter(({ path }) => !certain.has(path)).forEach(({ path }) => wanted.delete(path));
    }
  }
  return files.filter(({ path }) => wanted.has(path));
}

/**
 * Sends files, a few at a time; one that fails does not stop the others, a job that is gone does.
 *
 * @param onArrived told how many are settled, and the path of the one that has just arrived; none where it failed
 */
export async function send(
  jobId: string,
  files: ArrivingFile[],
  onArrived: (done: number, arrived: string | undefined) => void,
): Promise<Sent> {
  const failures: Failure[] = [];
  const beside: Beside[] = [];
  let next = 0;
  let done = 0;
  let isJobGone = false;
  const worker = async () => {
    for (let at = next++; at < files.length && !isJobGone; at = next++) {
      const { path, file } = files[at]!;
      let arrived: string | undefined;
      try {
        const original = await answer(
          api.PUT('/api/v1/jobs/{jobId}/originals', {
            params: { path: { jobId }, query: { path } },
            ...bytesOf(file),
          }),
        );
        arrived = path;
        if (original.path.normalize() !== path.normalize()) beside.push({ path, as: original.path });
      } catch (error) {
        const { code, status } = Problem.from(error);
        isJobGone ||= status === 404 && code === 'not-found';
        failures.push({ path, file, error });
      }
      onArrived(++done, arrived);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
  return { failures, beside, isJobGone };
}
