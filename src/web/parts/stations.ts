import { STATIONS_WORDS } from '../../words/screens/parts'
/** Stations of the bake sheet that exist, in the order of the work. */
export const STATIONS = [
  { id: 'recipe', label: STATIONS_WORDS.recipe },
  { id: 'levain', label: STATIONS_WORDS.levain },
  { id: 'plan', label: STATIONS_WORDS.plan },
  { id: 'weigh', label: STATIONS_WORDS.weigh },
  { id: 'watch', label: STATIONS_WORDS.watch },
  { id: 'bread', label: STATIONS_WORDS.bread }
] as const
export type StationId = (typeof STATIONS)[number]['id']
