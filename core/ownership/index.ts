export { pieceOfFile, readPiece, recordName, type PieceOptions, type PieceRefusal, type ProofPiece, type ReadPiece } from './pieces.ts';
export { findFile, findProof, findRecord, type ProofOutcome } from './verify.ts';
