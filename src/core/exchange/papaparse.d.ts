/** What is used of papaparse. Its own types refer to those of Node, which core must not see. */
declare module 'papaparse' {
  const Papa: {
    /** Reads a table of cells. */
    parse<Row>(text: string, options: { delimiter?: string; preview?: number; skipEmptyLines?: boolean }): { readonly data: Row[] }
    /** Writes a table; cells that a spreadsheet would take for formulas are escaped where asked. */
    unparse(table: { fields: string[]; data: unknown[][] }, options: { newline: string; escapeFormulae: boolean }): string
  }
  // biome-ignore lint/style/noDefaultExport: it is how papaparse is imported
  export default Papa
}
