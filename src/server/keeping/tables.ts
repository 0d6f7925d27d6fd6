/** Tables that are taken along, parents before children. Passphrase, sessions and what was sent once belong to one machine. */
export const TABLES = [
  'kitchens',
  'places',
  'place_readings',
  'imports',
  'readings_aside',
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
