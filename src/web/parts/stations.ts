/** Stations of the bake sheet that exist, in the order of the work. */
export const STATIONS = [
  { id: 'recipe', label: 'Recipe' },
  { id: 'levain', label: 'Levain' },
  { id: 'plan', label: 'Plan' },
  { id: 'weigh', label: 'Weigh' },
  { id: 'watch', label: 'Watch' },
  { id: 'bread', label: 'Bread' }
] as const
export type StationId = (typeof STATIONS)[number]['id']
