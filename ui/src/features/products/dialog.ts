export { ProductsDrawer as default } from './ProductsDrawer';
