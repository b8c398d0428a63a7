export { CarryDrawer as default } from './CarryDrawer';
