export { activate, changeTicket, crossingsQuery, outlookQuery, planQuery, startRun, useActiveTicket, useTickets } from './queries';
export type { Outlook, TicketDocument, TicketView } from './queries';
export { TicketPage } from './TicketPage';
export { LiftForm } from './LiftForm';
export { ColourForm } from './ColourForm';
export { PpiForm, ResamplingForm } from './phrases';
export { colourWords, intentPurposes, liftWords, methodNames, resamplingWords, sizeWords, viewingWords } from './words';
