export { existingBlocks, type ExistingBlock } from './existing.ts';
export { identityGaps, identityGraph, profileAddresses, type Graph, type GraphNode, type IdentityGap } from './identity.ts';
