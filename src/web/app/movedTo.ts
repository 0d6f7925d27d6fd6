import type { StationId } from '../parts/stations'

/** What the stations of a bake were called before. */
const FORMER_STATIONS: Readonly<Record<string, StationId>> = { dough: 'recipe', build: 'levain', clock: 'plan', bench: 'weigh', oven: 'bread' }

/**
 * Where an address of an earlier version leads now.
 * @param path path of the address, without its question
 * @returns the path that took its place; null: it is a current one
 * @example movedTo('/bakes/7/clock') // '/bakes/7/plan'
 */
export function movedTo(path: string): string | null {
  const [, room = '', id = '', station = ''] = path.split('/')
  if (room === 'formulas') return id === '' ? '/recipes' : `/recipes/${id}`
  const now = room === 'bakes' && Object.hasOwn(FORMER_STATIONS, station) ? FORMER_STATIONS[station] : undefined
  return now === undefined ? null : `/bakes/${id}/${now}`
}
