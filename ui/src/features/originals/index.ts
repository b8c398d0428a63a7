export { originalsQuery, useOriginals } from './queries';
