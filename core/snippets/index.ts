export { LONGEST_SNIPPET, readSnippet, type ReadSnippet, type SnippetPart, type SnippetRefusal, type SnippetWarning } from './read.ts';
