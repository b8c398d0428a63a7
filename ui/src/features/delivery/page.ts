export { DeliveryPage as Component } from './DeliveryPage';
