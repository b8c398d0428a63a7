export { ShelfPage as Component } from './ShelfPage';
