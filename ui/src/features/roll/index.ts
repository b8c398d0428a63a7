export { isOver as isRollJobOver, rollQuery, type RollState } from './queries';
