export { KeptPage } from './KeptPage';
export { ShelfOf, type OnShelf } from './ShelfOf';
export { keep, keptQuery, laidOver, useKept, type Kept, type KeptDocument, type KeptKind } from './queries';
