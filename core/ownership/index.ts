export { readPastedProof, type Pasted } from './pasted.ts';
export { findProof, type ProofOutcome } from './verify.ts';
