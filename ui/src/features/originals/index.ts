export { originalsQuery, useOriginals, useSmallPictures } from './queries';
export { useInTurn } from './useInTurn';
