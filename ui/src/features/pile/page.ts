export { PilePage as Component } from './PilePage';
