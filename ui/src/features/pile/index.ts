export { PilePage } from './PilePage';
