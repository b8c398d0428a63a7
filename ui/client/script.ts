/**
 * The script of docs/by-script.md, spoken by a client whose types are made from openapi.json alone: a job, its pictures, a run, a ZIP.
 * `node script.js http://127.0.0.1:8790 picture.jpg …`
 */
import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import createClient from 'openapi-fetch';
import type { paths } from './schema';

const [address, ...pictures] = process.argv.slice(2);
const api = createClient<paths>({ baseUrl: address! });

function must<T>({ data, error }: { data?: T; error?: unknown }): T {
  if (data === undefined) throw new Error(JSON.stringify(error));
  return data;
}

const job = must(await api.POST('/api/v1/jobs', { body: { name: 'By a client' } }));
for (const file of pictures) {
  const bytes = await readFile(file);
  must(
    await api.PUT('/api/v1/jobs/{jobId}/originals', {
      params: { path: { jobId: job.id }, query: { path: basename(file) } },
      body: bytes as unknown as string,
      bodySerializer: () => bytes,
      headers: { 'Content-Type': 'application/octet-stream' },
    }),
  );
}
const tickets = must(await api.GET('/api/v1/jobs/{jobId}/tickets', { params: { path: { jobId: job.id } } }));
const started = must(
  await api.POST('/api/v1/tickets/{ticketId}/runs', {
    params: { path: { ticketId: tickets[0]!.id } },
    body: { originalIds: null, changedOnly: null },
  }),
);
let run = must(await api.GET('/api/v1/runs/{id}', { params: { path: { id: started.id } } })).run;
for (let waits = 0; run.finishedAt === null && waits < 600; waits++) {
  await new Promise((resolve) => setTimeout(resolve, 100));
  run = must(await api.GET('/api/v1/runs/{id}', { params: { path: { id: started.id } } })).run;
}
const zip = must(
  await api.GET('/api/v1/runs/{runId}/delivery.zip', {
    params: { path: { runId: run.id } },
    parseAs: 'blob',
  }),
) as unknown as Blob;
const head = new Uint8Array(await zip.slice(0, 2).arrayBuffer());
console.log(`${run.counts.checked} checked, ${String.fromCharCode(...head)}`);
