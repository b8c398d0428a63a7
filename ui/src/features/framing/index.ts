export {
  centred,
  held,
  mirrored,
  movedInSeen,
  nextCorners,
  pulled,
  quarterTurned,
  same,
  seenCentre,
  seenSides,
  tighter,
  tilted,
  turned,
  type Framing,
  type Limit,
  type Side,
} from './framing';
export { overrideWords, PictureColumn } from './PictureColumn';
export {
  framingsQuery,
  historyQuery,
  noOverride,
  overridesQuery,
  picturesChanged,
  sendEdit,
  type EditRequest,
  type Override,
} from './queries';
export type { Change } from './framingEdits';
export { NoPicture } from './NoPicture';
export { useFramings } from './useFramings';
export { usePicturesInTurn } from './usePicturesInTurn';
