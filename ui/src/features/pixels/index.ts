export {
  fetchLearned,
  fetchProof,
  fetchUnprintable,
  type Look,
  type Proof,
  type ProofOrder,
  type ProofPart,
  type ProofSubject,
  type Show,
} from './proof';
export { middleOf, regionRound, type Region, type Size } from './region';
export { reducedSheet, shownAt, type ProofScale, type Shown } from './scale';
