export { CarryDrawer } from './CarryDrawer';
