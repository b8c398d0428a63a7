import { useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, longDay } from '../../shared/format';
import { announce, announced } from './announced';
import { missing, send, type Failure } from './send';
import { IntakeContext, type Arriving } from './useIntake';
import type { ArrivingFile } from './walkDropped';

/** How often open lists are brought up to date while files arrive. */
const REFRESH_MILLIS = 700;

/** What one call brings. */
interface Flow {
  jobId: string;
  done: number;
  all: number;
}

function sum(flows: Flow[]): Arriving | undefined {
  if (flows.length === 0) return undefined;
  const add = (part: (flow: Flow) => number) => flows.reduce((all, flow) => all + part(flow), 0);
  return { jobIds: new Set(flows.map(({ jobId }) => jobId)), done: add(({ done }) => done), all: add(({ all }) => all) };
}

/** Keeps files arriving while pages come and go. */
export function IntakeProvider({ children }: { children: ReactNode }) {
  const [flows, setFlows] = useState<ReadonlyMap<symbol, Flow>>(new Map());
  const arriving = useMemo(() => sum([...flows.values()]), [flows]);
  const queries = useQueryClient();
  const { message, notification } = App.useApp();
  const refreshed = useRef(0);

  const refresh = useCallback(
    async (jobId: string) => {
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['originals', jobId] }),
        queries.invalidateQueries({ queryKey: ['estimate', jobId] }),
        queries.invalidateQueries({ queryKey: ['jobs'] }),
      ]);
    },
    [queries],
  );

  const again = useRef<(jobId: string, files: ArrivingFile[]) => void>(undefined);
  const tellFailures = useCallback(
    (jobId: string, failures: Failure[]) => {
      const key = `failed-${jobId}`;
      const { message: reason, remedy } = Problem.from(failures[0]!.error);
      notification.error({
        key,
        title: `${count(failures.length, 'file')} did not arrive`,
        description: (
          <>
            <p>
              {reason} {remedy}
            </p>
            <ul className="failed-files">
              {failures.map(({ path }) => (
                <li key={path}>{path}</li>
              ))}
            </ul>
          </>
        ),
        actions: (
          <Button
            type="primary"
            onClick={() => {
              notification.destroy(key);
              again.current?.(jobId, failures);
            }}
          >
            Send {failures.length === 1 ? 'it' : 'them'} again
          </Button>
        ),
        duration: 0,
      });
    },
    [notification],
  );

  const add = useCallback(
    async (jobId: string, files: ArrivingFile[]) => {
      const flow = Symbol(jobId);
      const show = (done: number, all: number) => setFlows((before) => new Map(before).set(flow, { jobId, done, all }));
      try {
        const wanted = await missing(jobId, files);
        // What of an earlier list is here now, or is sent now, is not missing any more.
        const offered = new Set(files.map(({ path }) => path));
        const toCome = new Set(announced(jobId).filter((path) => !offered.has(path)));
        wanted.forEach(({ path }) => toCome.add(path));
        announce(jobId, [...toCome]);
        if (wanted.length === 0) {
          void message.info(files.length === 0 ? 'There is no file in it.' : 'All of these pictures were added before.');
          return;
        }
        show(0, wanted.length);
        const { failures, beside, isJobGone } = await send(jobId, wanted, (done, arrived) => {
          show(done, wanted.length);
          if (arrived) toCome.delete(arrived);
          if (Date.now() - refreshed.current > REFRESH_MILLIS) {
            refreshed.current = Date.now();
            announce(jobId, [...toCome]);
            void refresh(jobId);
          }
        });
        if (isJobGone) {
          announce(jobId, []);
          notification.warning({
            title: 'The job was deleted in another window',
            description: 'Sending has stopped. Files that are still on your disk are unchanged; drop them on Jobs to make a new job.',
            duration: 0,
          });
          return;
        }
        announce(jobId, [...toCome]);
        if (beside.length > 0) {
          const { path, as } = beside[0]!;
          const more = beside.length > 1 ? ` So do ${beside.length - 1} more.` : '';
          notification.info({
            title: `${count(beside.length, 'file')} had changed since they were added`,
            description: `${path} is now also here as ${as}; the earlier one stays.${more} Exclude the one you do not want to print.`,
            duration: 0,
          });
        }
        if (failures.length > 0) tellFailures(jobId, failures);
      } catch (error) {
        const problem = Problem.from(error);
        notification.error({ title: problem.message, description: problem.remedy, duration: 0 });
      } finally {
        setFlows((before) => {
          const left = new Map(before);
          left.delete(flow);
          return left;
        });
        await refresh(jobId);
      }
    },
    [message, notification, refresh, tellFailures],
  );

  again.current = (jobId, files) => void add(jobId, files);

  const newJob = useCallback(
    async (folder: string, files: ArrivingFile[]) => {
      const job = await answer(api.POST('/api/v1/jobs', { body: { name: folder || longDay(new Date()) } }));
      void add(job.id, files);
      return job.id;
    },
    [add],
  );

  // Leaving the page would end what is on its way: the browser asks first.
  useEffect(() => {
    if (!arriving) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [arriving]);

  const intake = useMemo(() => ({ arriving, newJob, add }), [arriving, newJob, add]);
  return <IntakeContext value={intake}>{children}</IntakeContext>;
}
