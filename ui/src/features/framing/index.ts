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
export { departureWords, PictureColumn } from './PictureColumn';
export { departuresQuery, framingsQuery, noDeparture, type Departure } from './queries';
export { useFramings, type Change } from './useFramings';
