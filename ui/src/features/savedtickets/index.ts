export { saveTicket, useSavedTickets, type SavedTicket } from './queries';
