export { InstrumentPage as Component } from './InstrumentPage';
