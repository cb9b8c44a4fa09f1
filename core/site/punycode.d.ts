/** Punycode (RFC 3492); the package ships without types. */
declare module 'punycode/punycode.js' {
  const punycode: { toUnicode(input: string): string; toASCII(input: string): string };
  export default punycode;
}
