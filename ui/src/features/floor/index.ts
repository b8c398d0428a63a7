export { Floor } from './Floor';
