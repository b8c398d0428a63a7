export { activate, crossingsQuery, estimateQuery, planQuery, startRun, useActiveTicket, useTickets } from './queries';
export type { Estimate, TicketDocument, TicketView } from './queries';
export { SharpeningForm } from './SharpeningForm';
export { ColourForm } from './ColourForm';
export { PpiForm, ResamplingForm } from './phrases';
export { colourWords, intentPurposes, sharpeningWords, methodNames, resamplingWords, sizeWords, viewingWords } from './words';
export { keepOnTicket } from './ticketEdits';
