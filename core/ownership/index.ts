export { isNoticeKey, keyLocationOf, keyStandsIn, NOTICE_ADDRESSES, noticeFault, noticeKeyFile, type ChangeNotice } from './change-notice.ts';
export { proofFileFault, type FileFault } from './file-fault.ts';
export { pieceOfFile, readPiece } from './pieces.ts';
export type { PieceOptions, PieceRefusal, ProofPiece, ReadPiece } from './piece.ts';
export { recordName } from './records.ts';
export { findFile, findProof, findRecord, type ProofOutcome } from './verify.ts';
