export { NamesPage as Component } from './shelves';
