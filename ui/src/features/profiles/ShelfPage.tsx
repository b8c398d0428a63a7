import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { useRef, useState } from 'react';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { Failed, Loading } from '../../shared/states';
import { useDrop } from '../../shared/useDrop';
import { GamutDrawing } from './GamutDrawing';
import { importProfile, profilesQuery, type Profile } from './queries';
import { facts, groupOf, groups, modelWords } from './words';
import '../../shared/field.css';
import './profiles.css';

interface Refusal {
  file: string;
  problem: Problem;
}

/** The profile shelf: what there is, described by facts and pictures; a place for more. */
export function ShelfPage() {
  const profiles = useQuery(profilesQuery());
  const [chosen, setChosen] = useState<string>();
  const [refused, setRefused] = useState<Refusal[]>([]);
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const adding = useMutation({
    mutationFn: async (files: File[]) => {
      setRefused([]);
      for (const file of files) {
        // One that is refused does not keep the others out.
        try {
          const added = await importProfile(queries, file);
          setChosen(added.digest);
          void message.success(
            added.alike ? `“${added.title}” was added; it is the same as ${added.alike}.` : `“${added.title}” was added.`,
          );
        } catch (error) {
          setRefused((before) => [...before, { file: file.name, problem: Problem.from(error) }]);
        }
      }
    },
  });
  const take = (files: FileList | null) => files && files.length > 0 && adding.mutate([...files]);
  const drop = useDrop((dropped) => take(dropped.files));
  if (profiles.isPending) return <Loading what="the profiles" />;
  if (profiles.isError) return <Failed error={profiles.error} again={() => void profiles.refetch()} />;
  const shown = profiles.data.find(({ digest }) => digest === chosen) ?? profiles.data[0]!;
  return (
    <main
      className={`shelf${drop.isOver ? ' shelf-over' : ''}`}
      {...drop.handlers}
    >
      <nav className="shelf-list" aria-label="Profiles">
        <h1>Profiles</h1>
        {groups.map((group) => {
          const held = profiles.data.filter((profile) => groupOf(profile) === group);
          return held.length === 0 ? null : (
            <section key={group} aria-label={group}>
              <h2>{group}</h2>
              {held.map((profile) => (
                <button
                  key={profile.digest}
                  type="button"
                  className={`shelf-item${profile === shown ? ' shelf-here' : ''}`}
                  aria-current={profile === shown}
                  onClick={() => setChosen(profile.digest)}
                >
                  <span>{profile.title}</span> <span className="quiet">{modelWords[profile.model]}</span>
                </button>
              ))}
            </section>
          );
        })}
        <div className="shelf-add">
          <Button type="primary" loading={adding.isPending} onClick={() => input.current?.click()}>
            Add a profile
          </Button>
          <p className="quiet">ICC version 2 or 4: RGB, CMYK or grey, of a camera, screen or printer. Or drop files.</p>
          <input
            ref={input}
            type="file"
            hidden
            multiple
            accept=".icc,.icm"
            aria-label="Profile files"
            onChange={(event) => {
              take(event.target.files);
              event.target.value = '';
            }}
          />
          {refused.map(({ file, problem }) => (
            <p key={file} className="shelf-refused" role="alert">
              ■ {file}: {problem.message} {problem.remedy}
            </p>
          ))}
        </div>
      </nav>
      <Described key={shown.digest} profile={shown} all={profiles.data} onGone={() => setChosen(undefined)} />
    </main>
  );
}

function Described({ profile, all, onGone }: { profile: Profile; all: Profile[]; onGone: () => void }) {
  const standard = all.find((one) => one.title === (profile.title === 'sRGB' ? 'opRGB' : 'sRGB'));
  const [beside, setBeside] = useState(standard?.digest);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/profiles/{digest}', { params: { path: { digest: profile.digest } } })),
    onSuccess: () => {
      onGone();
      void message.info('Deleted. Tickets and pieces that use it keep their copy.');
    },
    onSettled: () => void queries.invalidateQueries({ queryKey: profilesQuery().queryKey }),
    onError: (error) => void message.error(Problem.from(error).message),
  });
  return (
    <article className="shelf-described">
      <header>
        <h2 className="shelf-title">{profile.title}</h2>
        <p>{profile.words}</p>
      </header>
      <div className="shelf-facts">
        <dl>
          {facts(profile).map(({ term, value }) => (
            <div key={term}>
              <dt>{term}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        <div className="shelf-buttons">
          <label className="field">
            <span>compare with</span>
            <Select
              aria-label="Compare with"
              value={beside}
              onChange={setBeside}
              popupMatchSelectWidth={false}
              options={all.filter((one) => one !== profile).map(({ digest, title }) => ({ value: digest, label: title }))}
            />
          </label>
          <a href={`/api/v1/profiles/${profile.digest}/file`} download>
            Download
          </a>
          {profile.origin === 'IMPORTED' && (
            <Button loading={remove.isPending} onClick={() => remove.mutate()}>
              Delete
            </Button>
          )}
        </div>
      </div>
      <GamutDrawing profile={profile} beside={all.find(({ digest }) => digest === beside)} />
    </article>
  );
}
