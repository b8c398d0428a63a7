export { activate, outlookQuery, planQuery, startRun, useActiveTicket, useTickets } from './queries';
export type { Outlook, TicketDocument, TicketView } from './queries';
export { TicketPage } from './TicketPage';
export { liftWords, methodNames, sizeWords, viewingWords } from './words';
