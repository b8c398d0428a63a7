export { ProofPage } from './ProofPage';
