export { ProductsPage as Component } from './shelves';
