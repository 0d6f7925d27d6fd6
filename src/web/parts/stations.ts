/** Stations of the bake sheet that exist, in the order of the work. */
export const STATIONS = [
  { id: 'dough', label: 'Dough' },
  { id: 'build', label: 'Build' },
  { id: 'clock', label: 'Clock' },
  { id: 'bench', label: 'Bench' },
  { id: 'watch', label: 'Watch' },
  { id: 'oven', label: 'Oven' }
] as const
export type StationId = (typeof STATIONS)[number]['id']
