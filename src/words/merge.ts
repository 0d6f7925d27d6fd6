import type { Clash, ClashKind, Merge, TakenAlong } from '../contract'
import type { Format } from '../core'
import { entriesOf } from '../core'

const countOf = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`

/** What a file holds: "3 jars, 12 bakes, 4 recipes, 310 entries, 2 pictures". */
export const heldWords = ({ rows, pictures }: Pick<TakenAlong, 'rows' | 'pictures'>): string =>
  [
    countOf(rows.jars ?? 0, 'jar', 'jars'),
    countOf(rows.bakes ?? 0, 'bake', 'bakes'),
    countOf(rows.formulas ?? 0, 'recipe', 'recipes'),
    countOf(rows.events ?? 0, 'entry', 'entries'),
    countOf(pictures, 'picture', 'pictures')
  ].join(', ')

const KIND_WORDS: Readonly<Record<ClashKind, readonly [one: string, many: string]>> = {
  jar: ['jar', 'jars'],
  bake: ['bake', 'bakes'],
  recipe: ['recipe', 'recipes'],
  place: ['place', 'places'],
  vessel: ['vessel', 'vessels'],
  ingredient: ['ingredient', 'ingredients']
}

/** "3 jars, 12 bakes" */
const listed = (counts: Merge['added']): string =>
  entriesOf(counts)
    .map(([kind, count]) => countOf(count, ...KIND_WORDS[kind]))
    .join(', ')

/** What a file adds to the kitchen that is here, as sentences. */
export function mergeWords({ added, goneOn, same, clashes }: Merge): string[] {
  const anything = Object.keys(added).length > 0
  return [
    anything ? `New: ${listed(added)}.` : 'Nothing in it is new.',
    ...(goneOn > 0 ? [`${countOf(goneOn, 'thing has', 'things have')} gone on in the file, and ${goneOn === 1 ? 'is' : 'are'} brought up to date.`] : []),
    ...(same > 0 ? [`${countOf(same, 'thing stays', 'things stay')} as here.`] : []),
    ...(clashes.length > 0 ? [`${countOf(clashes.length, 'thing differs', 'things differ')}: say which one counts.`] : [])
  ]
}

/** The two sides of a clash, each as the words of a choice. */
export function clashWords({ why, kind, here, there }: Clash, format: Format): { readonly here: string; readonly there: string } {
  const state = ({ entries, at }: Clash['here']) =>
    [entries > 0 && countOf(entries, 'entry', 'entries'), at !== null && `the last ${format.dayTime(at)}`].filter((words) => words !== false).join(', ')
  const told = (words: string, side: Clash['here']) => (state(side) === '' ? words : `${words} (${state(side)})`)
  if (why === 'same name') return { here: `Use this kitchen’s ${KIND_WORDS[kind][0]} for both`, there: 'Keep both' }
  return { here: told('As it is here', here), there: told('As it is in the file', there) }
}
