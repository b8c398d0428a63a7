export { LayoutPage as Component } from './LayoutPage';
