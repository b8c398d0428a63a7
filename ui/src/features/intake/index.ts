export { DropPlace } from './DropPlace';
export { NeverCame } from './NeverCame';
export { IntakeProvider } from './IntakeProvider';
export { useIntake } from './useIntake';
export type { ArrivingFile } from './walkDropped';
