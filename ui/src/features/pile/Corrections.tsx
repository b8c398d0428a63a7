import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button, Popconfirm } from 'antd';
import { useRef } from 'react';
import { answer, api, bytesOf, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, fileName } from '../../shared/format';
import { originalsQuery } from '../originals';

interface Props {
  jobId: string;
  picked: Schemas['OriginalView'][];
  onDone: () => void;
}

/** One picture is replaced by its corrected version; any number of them is deleted. */
export function Corrections({ jobId, picked, onDone }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const refresh = () => {
    void queries.invalidateQueries({ queryKey: originalsQuery(jobId).queryKey });
    for (const key of ['estimate', 'framings']) void queries.invalidateQueries({ queryKey: [key, jobId] });
    void queries.invalidateQueries({ queryKey: ['overrides'] });
    void queries.invalidateQueries({ queryKey: ['jobs'] });
  };
  const onError = (error: unknown) => {
    const { message: text, remedy } = Problem.from(error);
    void message.error(`${text} ${remedy}`, 8);
  };
  const remove = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/jobs/{jobId}/originals/delete', {
          params: { path: { jobId } },
          body: { originalIds: picked.map(({ id }) => id) },
        }),
      ),
    onSuccess: () => {
      void message.success(`${count(picked.length, 'picture')} deleted.`);
      onDone();
    },
    onSettled: refresh,
    onError,
  });
  const replace = useMutation({
    mutationFn: ({ id, file: corrected }: { id: string; file: File }) =>
      answer(
        api.PUT('/api/v1/originals/{id}/file', {
          params: { path: { id } },
          ...bytesOf(corrected),
        }),
      ),
    onSuccess: (now) => void message.success(`${fileName(now.path)} was replaced.`),
    onSettled: refresh,
    onError,
  });
  const [only] = picked;
  return (
    <>
      {picked.length === 1 && only && (
        <>
          <Button loading={replace.isPending} onClick={() => file.current?.click()}>
            Replace
          </Button>
          <input
            ref={file}
            type="file"
            hidden
            aria-label={`Corrected file for ${fileName(only.path)}`}
            onChange={({ target }) => {
              const [chosen] = target.files ?? [];
              if (chosen) replace.mutate({ id: only.id, file: chosen });
              target.value = '';
            }}
          />
        </>
      )}
      <Popconfirm
        title={`Delete ${picked.length === 1 && only ? fileName(only.path) : count(picked.length, 'picture')} from this job?`}
        description="Framings go with it. Delivered pieces stay."
        okText="Delete"
        cancelText="Cancel"
        onConfirm={() => remove.mutate()}
      >
        <Button loading={remove.isPending}>Delete</Button>
      </Popconfirm>
    </>
  );
}
