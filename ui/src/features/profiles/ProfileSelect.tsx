import { useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import { profileQuery, useProfiles, type Model, type Profile } from './queries';
import { groupOf, groups } from './words';

interface Props {
  label: string;
  value: string | null;
  /** Which can be chosen. */
  holds: (profile: Profile) => boolean;
  onChange: (profile: Profile) => void;
}

/** A profile of the shelf; one that is used and no longer there is still named. */
export function ProfileSelect({ label, value, holds, onChange }: Props) {
  const profiles = useProfiles();
  const isShelved = value === null || profiles.length === 0 || profiles.some(({ digest }) => digest === value);
  const away = useQuery({ ...profileQuery(value ?? ''), enabled: value !== null && !isShelved }).data;
  const all = away ? [...profiles, away] : profiles;
  const options = groups
    .map((group) => ({
      label: group,
      options: all
        .filter((profile) => groupOf(profile) === group && holds(profile))
        .map((profile) => ({ value: profile.digest, label: profile.title })),
    }))
    .filter((group) => group.options.length > 0);
  return (
    <Select
      aria-label={label}
      showSearch={{ optionFilterProp: 'label' }}
      style={{ width: '100%' }}
      placeholder="a profile"
      value={value ?? undefined}
      options={options}
      popupMatchSelectWidth={false}
      onChange={(digest: string) => {
        const profile = all.find((one) => one.digest === digest);
        if (profile) onChange(profile);
      }}
    />
  );
}

export const isFor = (model: Model) => (profile: Profile) => profile.model === model;
