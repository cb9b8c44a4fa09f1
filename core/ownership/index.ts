export { isNoticeKey, keyLocationOf, keyStandsIn, NOTICE_ADDRESSES, noticeFault, noticeKeyFile, type ChangeNotice } from './change-notice.ts';
export { proofFileFault, type FileFault } from './file-fault.ts';
export { fileSteps, recordStep, tagSteps, type ProofStep, type StepState } from './chain.ts';
export { givenFor, type GivenFor } from './given-for.ts';
export { looksLikeProofFile, proofLosses, provingTags, type ProofLoss, type Proving } from './loss.ts';
export { pieceOfFile, readPiece } from './pieces.ts';
export type { PieceOptions, PieceRefusal, ProofPiece, ReadPiece } from './piece.ts';
export { recordName } from './records.ts';
export { findFile, findProof, findRecord, type ProofOutcome } from './verify.ts';
