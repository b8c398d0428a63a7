export { SizesPage as Component } from './shelves';
