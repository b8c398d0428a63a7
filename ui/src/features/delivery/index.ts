export { DeliveryPage } from './DeliveryPage';
