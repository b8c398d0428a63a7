export { TicketPage as Component } from './TicketPage';
