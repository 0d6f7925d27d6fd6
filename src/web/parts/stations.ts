/** Stations of the bake sheet that exist, in the order of the work. */
export const STATIONS = [
  { id: 'dough', label: 'Dough' },
  { id: 'build', label: 'Build' },
  { id: 'clock', label: 'Clock' },
  { id: 'bench', label: 'Bench' },
  { id: 'watch', label: 'Watch' }
] as const
export type StationId = (typeof STATIONS)[number]['id']
