export { SavedTicketsPage as Component } from './SavedTicketsPage';
