export { FoundDrawer as default } from './FoundDrawer';
