/** English singulars and plurals; the package ships without types. */
declare module 'pluralize' {
  const pluralize: { singular(word: string): string };
  export default pluralize;
}
