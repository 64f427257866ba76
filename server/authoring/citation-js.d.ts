/** What is used of them; they bring no types along. */
declare module '@citation-js/core' {
  export const plugins: {
    input: { chain(input: string, options: { forceType: '@bibtex/text'; generateGraph: false }): unknown[] };
    output: { format(as: 'bibtex', items: readonly object[]): string };
  };
}
declare module '@citation-js/plugin-bibtex';
