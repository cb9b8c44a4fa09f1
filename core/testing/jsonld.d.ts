/** As much of the reference implementation of JSON-LD as the tests use. */
declare module 'jsonld' {
  interface Options {
    readonly base: string;
    readonly documentLoader: (address: string) => Promise<{ readonly document: unknown; readonly documentUrl: string; readonly contextUrl?: string }>;
  }
  const jsonld: { toRDF(document: unknown, options: Options): Promise<object[]> };
  export default jsonld;
}
