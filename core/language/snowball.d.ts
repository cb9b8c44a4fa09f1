/** Snowball's stemmers (snowballstem.org) for JavaScript; the package ships without types. */
declare module 'snowball-stemmers' {
  const snowball: {
    newStemmer(algorithm: string): { stem(word: string): string };
    algorithms(): string[];
  };
  export default snowball;
}
