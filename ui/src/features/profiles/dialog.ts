export { SayProfile as default } from './SayProfile';
