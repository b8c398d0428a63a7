import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Radio } from 'antd';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { FolderChooser, foldersQuery, lastName, placeWords } from '../folders';
import { jobsKey, useJob } from '../jobs';
import '../../shared/phrase.css';
import './targets.css';

type Target = Schemas['TargetView'];

/** Where a job's deliveries go, as it stands in a sentence. */
export function targetWords({ kind, root, path }: Target): string {
  switch (kind) {
    case 'DELIVERIES':
      return 'Embrick’s deliveries';
    case 'BESIDE_ORIGINALS':
      return 'the originals’ own folder';
    case 'FOLDER':
      return placeWords(root ?? '', path ?? '');
  }
}

/** Shows where a job's deliveries go, and lets that be changed. Each run makes a new folder there. */
export function TargetChoice({ jobId }: { jobId: string }) {
  const job = useJob(jobId).data;
  const liesOnServer = (useQuery(foldersQuery(jobId)).data?.length ?? 0) > 0;
  const [isOpen, setOpen] = useState(false);
  const [isChoosing, setChoosing] = useState(false);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const set = useMutation({
    mutationFn: (body: Target) => answer(api.PUT('/api/v1/jobs/{id}/target', { params: { path: { id: jobId } }, body })),
    onSuccess: () => {
      setOpen(false);
      setChoosing(false);
    },
    onError: (error) => void message.error(Problem.from(error).message),
    onSettled: () => void queries.invalidateQueries({ queryKey: jobsKey }),
  });
  if (!job) return null;
  const { target } = job;

  return (
    <>
      <FormPopover
        open={isOpen}
        onOpenChange={setOpen}
        placement="top"
        title="Deliveries of this job go to"
        content={
          <div className="target-form">
            <Radio.Group
              aria-label="Deliveries of this job go to"
              value={target.kind}
              onChange={({ target: { value } }: { target: { value?: Target['kind'] } }) =>
                value === 'FOLDER' ? setChoosing(true) : value && set.mutate({ kind: value, root: null, path: null })
              }
            >
              <Radio value="DELIVERIES">Embrick’s deliveries, in a folder of the job’s</Radio>
              <Radio value="BESIDE_ORIGINALS" disabled={!liesOnServer}>
                the originals’ own folder
                {!liesOnServer && <span className="quiet">: these were copied here and have none</span>}
              </Radio>
              <Radio value="FOLDER">
                {target.kind === 'FOLDER' ? targetWords(target) : 'another folder of the server'}
              </Radio>
            </Radio.Group>
            {target.kind === 'FOLDER' && (
              <Button size="small" onClick={() => setChoosing(true)}>
                Choose another folder
              </Button>
            )}
            <p className="quiet">Each run makes a new folder there. A file that exists is never replaced.</p>
          </div>
        }
      >
        <button type="button" className="phrase" aria-label={`Deliver to: ${targetWords(target)}`} aria-expanded={isOpen}>
          {targetWords(target)}
        </button>
      </FormPopover>
      {isChoosing && (
        <FolderChooser
          title="Deliver to a folder on the server"
          okWords={({ path }) => `Deliver to ${path === '' ? 'this folder' : `“${lastName('', path)}”`}`}
          onClose={() => setChoosing(false)}
          onChoose={(root, path) => set.mutate({ kind: 'FOLDER', root, path })}
        >
          <p className="quiet">Each run makes a new folder in it, below one with the job’s name.</p>
        </FolderChooser>
      )}
    </>
  );
}
