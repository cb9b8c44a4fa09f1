/** The parts of the package's own parts that are used here; it ships without types. */
declare module 'css-tree/tokenizer' {
  /** Calls back for each token of a style sheet (CSS Syntax, 4.3), with its type's number and its stretch of the text. */
  export function tokenize(css: string, token: (type: number, start: number, end: number) => void): void;
  export const tokenTypes: Readonly<Record<string, number>>;
}
declare module 'css-tree/utils' {
  export const url: { decode(written: string): string };
  export const string: { decode(written: string): string };
}
