export { rollQuery, type RollState } from './queries';
