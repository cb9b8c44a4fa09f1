export { decodeBytes, decodeSource, encodingName, readOnlyReason, sniffEncoding, type Encoding, type SourceText } from './encoding.ts';
export { byteOffsets, joinBytes, needsAscii, positionOf, respell, sameBytes, spliceSource, type Range, type Splice, type SpliceResult } from './splice.ts';
export { listArchive, inflateEntry, ARCHIVE_LIMITS, type ArchiveEntry, type ArchiveListing, type ArchiveLimits } from './archive.ts';
export { fromHex, toHex } from './hex.ts';
export { isAddressVariant, variantHost } from './hosts.ts';
export { lowerBound } from './lower-bound.ts';
export { pathAndQuery, percentDecoded, plainAddress, plainPercent, readableAddress } from './percent.ts';
export { gunzipBounded, isGzip, unpackedText } from './gzip.ts';
export { keptText } from './kept-text.ts';
