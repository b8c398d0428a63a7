export { originalsQuery, useOriginals } from './queries';
export { useInTurn } from './useInTurn';
