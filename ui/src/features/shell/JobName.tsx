import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { jobsKey, useJob } from '../jobs';

const LONGEST = 120;

/** The job's name, which a click makes a field: Enter keeps what is typed, Escape does not. */
export function JobName({ jobId }: { jobId: string }) {
  const job = useJob(jobId).data;
  const [typed, setTyped] = useState<string>();
  const queries = useQueryClient();
  const { message } = App.useApp();
  const rename = useMutation({
    mutationFn: (name: string) =>
      answer(api.PUT('/api/v1/jobs/{id}', { params: { path: { id: jobId } }, body: { name } })),
    onSettled: () => void queries.invalidateQueries({ queryKey: jobsKey }),
    onError: (error) => {
      const problem = Problem.from(error);
      void message.error(`The job was not renamed. ${problem.message} ${problem.remedy}`);
    },
  });
  if (!job) return null;
  const keep = () => {
    const name = typed?.trim();
    setTyped(undefined);
    if (name && name !== job.name) rename.mutate(name);
  };
  if (typed === undefined) {
    const shown = rename.isPending ? rename.variables : job.name;
    return (
      <button type="button" className="top-job" title="Rename the job" onClick={() => setTyped(job.name)}>
        {shown}
      </button>
    );
  }
  return (
    <input
      className="top-job-field"
      aria-label="Name of the job"
      // The field replaces the button that was pressed: focus goes on from there.
      ref={(field) => field?.focus()}
      value={typed}
      maxLength={LONGEST}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setTyped(undefined);
      }}
    />
  );
}
