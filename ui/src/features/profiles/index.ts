export { gamutLossQuery, profilesQuery, useProfiles, useProfileTitle, type Profile } from './queries';
export { ProfileSelect } from './ProfileSelect';
