export { activate, crossingsQuery, estimateQuery, offerClearFolds, planQuery, startRun, useActiveTicket, useTickets } from './queries';
export type { Estimate, TicketDocument, TicketView } from './queries';
export { SharpeningForm } from './SharpeningForm';
export { ColourForm } from './ColourForm';
export { PpiForm, ResamplingForm } from './phrases';
export { edgesWords } from './edgesWords';
export { useProductLines } from './ProductWords';
export { brickWords, colourWords, fileWords, intentPurposes, letterWords, subfolderWords, sharpeningWords, methodNames, resamplingWords, sizeWords, viewingWords } from './words';
export { keepOnTicket } from './ticketEdits';
