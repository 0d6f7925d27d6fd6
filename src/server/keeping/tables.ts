/** Tables that are taken along, parents before children. Passphrase, sessions and what was sent once belong to one machine. */
export const TABLES = [
  'kitchens',
  'places',
  'imports',
  'readings',
  'vessels',
  'ingredients',
  'jars',
  'bakes',
  'batches',
  'batch_parents',
  'batch_stays',
  'formulas',
  'formula_versions',
  'programs',
  'calendar_addresses',
  'devices',
  'events',
  'ledger_entries',
  'changes'
] as const

/** Tables that earlier versions had, and that a file of theirs still has. */
export const FORMER_TABLES = ['place_readings']

/** Columns by which the rows of a table are gone through. */
export const keyOf = (table: string): readonly string[] => (table === 'readings' ? ['importNo', 'atMs'] : ['rowid'])
