export { ProofPage as Component } from './ProofPage';
