export { TargetChoice, targetWords } from './TargetChoice';
