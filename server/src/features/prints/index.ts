export { printEndpoints } from './printEndpoints.ts';
export { PrintService } from './printService.ts';
export { ProofAnswerStore } from './proofAnswerStore.ts';
