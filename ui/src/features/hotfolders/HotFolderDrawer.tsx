import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Drawer, Input, Radio, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { FolderChooser, lastName, placeWords } from '../folders';
import { useSavedTickets } from '../savedtickets';
import { targetWords } from '../targets';
import { hotFoldersQuery, settingsOf, type HotFolder, type Settings } from './queries';
import '../../shared/field.css';

interface Props {
  /** The hot folder that is changed; a new one without it. */
  edited?: HotFolder | undefined;
  onClose: () => void;
}

const fresh: Settings = {
  name: '',
  savedTicketId: '',
  target: { kind: 'DELIVERIES', root: null, path: null },
  isOn: true,
};

/** What a person says of a hot folder. */
export function HotFolderDrawer({ edited, onClose }: Props) {
  const [settings, setSettings] = useState<Settings>(edited ? settingsOf(edited) : fresh);
  const [place, setPlace] = useState(edited && { root: edited.root, path: edited.path });
  const [chooses, setChooses] = useState<'watched' | 'target'>();
  const tickets = useSavedTickets();
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: async () => {
      if (edited) {
        await answer(api.PUT('/api/v1/hot-folders/{id}', { params: { path: { id: edited.id } }, body: settings }));
      } else {
        await answer(api.POST('/api/v1/hot-folders', { body: { ...place!, settings } }));
      }
    },
    onSuccess: onClose,
    onSettled: () => void queries.invalidateQueries({ queryKey: hotFoldersQuery().queryKey }),
  });
  const change = (part: Partial<Settings>) => setSettings((before) => ({ ...before, ...part }));
  const isWhole = place && settings.name.trim() !== '' && tickets.some(({ id }) => id === settings.savedTicketId);
  const problem = keep.isError ? Problem.from(keep.error) : undefined;

  return (
    <Drawer
      open
      onClose={onClose}
      size={520}
      title={edited ? `Change “${edited.name}”` : 'Add a hot folder'}
      footer={
        <div className="folder-foot">
          <span role="alert">{problem && `${problem.message} ${problem.remedy}`}</span>
          <Button type="primary" disabled={!isWhole} loading={keep.isPending} onClick={() => keep.mutate()}>
            {edited ? 'Save' : 'Add'}
          </Button>
        </div>
      }
    >
      <div className="hot-form">
        <div className="field">
          <span>folder that is watched</span>
          <div>
            <strong>{place ? placeWords(place.root, place.path) : 'none chosen'}</strong>{' '}
            {!edited && (
              <Button size="small" onClick={() => setChooses('watched')}>
                Choose
              </Button>
            )}
          </div>
        </div>
        <label className="field">
          <span>name</span>
          <Input value={settings.name} maxLength={100} onChange={({ target }) => change({ name: target.value })} />
        </label>
        <label className="field">
          <span>run by the saved ticket</span>
          <Select
            aria-label="Saved ticket"
            value={settings.savedTicketId || undefined}
            placeholder="Choose one"
            notFoundContent="No ticket is saved yet."
            onChange={(savedTicketId: string) => change({ savedTicketId })}
            options={tickets.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </label>
        {tickets.length === 0 && (
          <p className="quiet">
            No ticket is saved yet: open the ticket of a <Link to="/">job</Link> and choose “Save for other jobs”.
          </p>
        )}
        <fieldset className="field">
          <legend>deliver to</legend>
          <Radio.Group
            aria-label="Deliver to"
            value={settings.target.kind}
            onChange={({ target: { value } }: { target: { value?: string } }) =>
              value === 'FOLDER'
                ? setChooses('target')
                : change({ target: { kind: 'DELIVERIES', root: null, path: null } })
            }
          >
            <Radio value="DELIVERIES">Embrick’s deliveries</Radio>
            <Radio value="FOLDER">
              {settings.target.kind === 'FOLDER' ? targetWords(settings.target) : 'a folder of the server'}
            </Radio>
          </Radio.Group>
        </fieldset>
        <p className="quiet">
          A file is taken once it has stopped growing. Its original is moved into “done”, or into “failed” with the reason in a
          text file beside it; nothing is deleted.
        </p>
      </div>
      {chooses && (
        <FolderChooser
          title={chooses === 'watched' ? 'The folder that is watched' : 'Deliver to a folder on the server'}
          okWords={({ path }) => `Take ${path === '' ? 'this folder' : `“${lastName('', path)}”`}`}
          onClose={() => setChooses(undefined)}
          onChoose={(root, path) => {
            if (chooses === 'target') change({ target: { kind: 'FOLDER', root, path } });
            else {
              setPlace({ root, path });
              if (settings.name === '') change({ name: lastName(root, path) });
            }
            setChooses(undefined);
          }}
        />
      )}
    </Drawer>
  );
}
