export { isNoticeKey, keyLocationOf, keyStandsIn, NOTICE_ADDRESSES, noticeFault, noticeKeyFile, type ChangeNotice } from './change-notice.ts';
export { proofFileFault, type FileFault } from './file-fault.ts';
export { pieceOfFile, readPiece, recordName, type PieceOptions, type PieceRefusal, type ProofPiece, type ReadPiece } from './pieces.ts';
export { findFile, findProof, findRecord, type ProofOutcome } from './verify.ts';
