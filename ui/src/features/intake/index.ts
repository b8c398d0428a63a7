export { DropPlace } from './DropPlace';
export { IntakeProvider } from './IntakeProvider';
export { useIntake } from './useIntake';
export type { ArrivingFile } from './walkDropped';
