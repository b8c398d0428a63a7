import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { count } from '../../shared/format';
import { isFor, ProfileSelect } from './ProfileSelect';
import { assumedQuery, type Model } from './queries';
import { modelWords } from './words';

type Original = Schemas['OriginalView'];

interface Props {
  jobId: string;
  /** The chosen pictures; none where only the job's assumption is said. */
  pictures: Original[];
  onClose: () => void;
}

const models: Model[] = ['RGB', 'GREY', 'CMYK'];

/** Which profile some pictures have, whatever their files say, and what the job assumes for those that say nothing. */
export function SayProfile({ jobId, pictures, onClose }: Props) {
  const [scope, setScope] = useState<'these' | 'file' | 'job'>(pictures.length > 0 ? 'these' : 'job');
  const present = models.filter((model) => pictures.some(({ facts }) => facts?.model === model));
  const [model, setModel] = useState<Model>(present[0] ?? 'RGB');
  const [digest, setDigest] = useState<string | null>(null);
  const assumed = useQuery(assumedQuery(jobId)).data;
  const queries = useQueryClient();
  const { message } = App.useApp();
  const meant = pictures.filter(({ facts }) => facts && (scope === 'file' || facts.model === model));

  const refresh = () => {
    for (const key of ['originals', 'estimate', 'assumed', 'plan', 'proof', 'gamut-loss']) {
      void queries.invalidateQueries({ queryKey: [key] });
    }
  };
  const say = async (ids: string[], to: string | null) =>
    answer(
      api.PUT('/api/v1/jobs/{jobId}/originals/profile', {
        params: { path: { jobId } },
        body: { originalIds: ids, digest: to },
      }),
    );
  const putBack = async (before: Original[]) => {
    const said = ({ facts }: Original) => (facts?.profileOrigin === 'BY_HAND' ? facts.profileDigest : null);
    for (const to of new Set(before.map(said))) {
      await say(before.filter((one) => said(one) === to).map(({ id }) => id), to);
    }
    refresh();
    message.destroy('said');
  };
  const keep = useMutation({
    mutationFn: async () => {
      if (scope === 'job') {
        await answer(
          api.PUT('/api/v1/jobs/{jobId}/assumed-profiles', { params: { path: { jobId } }, body: { model, digest } }),
        );
      } else {
        await say(meant.map(({ id }) => id), scope === 'file' ? null : digest);
      }
    },
    onSuccess: () => {
      refresh();
      if (scope !== 'job') {
        void message.open({
          key: 'said',
          type: 'success',
          duration: 8,
          content: (
            <>
              {scope === 'file' ? 'Their files’ own profile again' : 'Profile set'}: {count(meant.length, 'picture')}.{' '}
              <Button size="small" onClick={() => void putBack(meant)}>
                Undo
              </Button>
            </>
          ),
        });
      }
      onClose();
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  const now = assumed && { RGB: assumed.rgb, GREY: assumed.grey, CMYK: assumed.cmyk }[model];
  return (
    <Modal
      open
      title="Profile of these pictures"
      onCancel={onClose}
      okText={scope === 'job' ? 'Save' : `Set for ${count(meant.length, 'picture')}`}
      okButtonProps={{ disabled: (scope === 'these' && (!digest || meant.length === 0)) || (scope === 'file' && meant.length === 0) }}
      confirmLoading={keep.isPending}
      onOk={() => keep.mutate()}
    >
      <div className="say-profile">
        {pictures.length > 0 ? (
          <Radio.Group value={scope} onChange={(event) => setScope(event.target.value)}>
            <Radio value="these">use this profile for the selected pictures, whatever their files say</Radio>
            <Radio value="file">use the profile in their files</Radio>
            <Radio value="job">use this profile for all pictures of this job that have none</Radio>
          </Radio.Group>
        ) : (
          <p>Pictures of this job without a profile are read as:</p>
        )}
        {scope !== 'file' && (
          <>
            <Radio.Group
              aria-label="Pictures of"
              optionType="button"
              value={model}
              onChange={(event) => {
                setModel(event.target.value);
                setDigest(null);
              }}
              options={(scope === 'job' ? models : present).map((value) => ({ value, label: modelWords[value] }))}
            />
            <ProfileSelect
              label="Profile"
              value={digest ?? (scope === 'job' ? (now ?? null) : null)}
              holds={isFor(model)}
              onChange={(profile) => setDigest(profile.digest)}
            />
          </>
        )}
        <p className="quiet">Pixel values stay; how they look changes, on screen and in print.</p>
      </div>
    </Modal>
  );
}
