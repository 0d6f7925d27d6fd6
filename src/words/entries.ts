/** What a body may hold that tells what it is about. */
interface Told {
  readonly type?: string
  readonly item?: string
  readonly weighedGrams?: number
  readonly grams?: number
  readonly plan?: { readonly name?: string }
  readonly name?: string
}

const EVENTS: Readonly<Record<string, string>> = {
  weigh: 'Ingredient weighed in',
  repair: 'Correction of a mix',
  measured: 'Measured temperature',
  band: 'Levain mixed',
  mark: 'What you saw',
  explained: 'What you said of a level',
  moved: 'Levain moved',
  mixed: 'Dough mixed',
  step: 'Step done',
  dough: 'Look at the dough',
  outcome: 'How the bread came out',
  undo: 'Undo'
}

/** Addresses and what is sent to them, the first that fits. */
const ADDRESSES: readonly (readonly [pattern: RegExp, words: string])[] = [
  [/\/jars\/[^/]+\/feeds$/, 'Feed of a jar'],
  [/\/jars\/[^/]+\/weighings$/, 'Jar weighed'],
  [/\/jars\/[^/]+\/moves$/, 'Jar moved'],
  [/\/jars\/[^/]+\/looks$/, 'Look at a jar'],
  [/\/jars\/[^/]+\/splits$/, 'Starter taken from a jar'],
  [/\/jars/, 'Change of a jar'],
  [/\/together$/, 'Work at a jar'],
  [/\/programs/, 'Step of a program'],
  [/\/shelf/, 'Change of the shelf'],
  [/\/discard/, 'Discard used'],
  [/\/formulas/, 'Change of a recipe'],
  [/\/ingredients/, 'Change of an ingredient'],
  [/\/vessels/, 'Change of a vessel'],
  [/\/devices/, 'Change of a device'],
  [/\/bakes$/, 'New bake'],
  [/\/bakes/, 'Change of a bake'],
  [/\/kitchen/, 'Change of the kitchen’s settings']
]

/**
 * What an entry is, for whoever has to decide what becomes of it.
 * @param path it was sent to
 * @param body as it was sent
 */
export function entryWords(path: string, body: unknown): string {
  const told = (typeof body === 'object' && body !== null ? body : {}) as Told
  if (told.type === 'pour') return `Pour of ${told.item ?? 'an ingredient'}, ${told.weighedGrams ?? '?'} g`
  const event = told.type === undefined ? undefined : EVENTS[told.type]
  if (event !== undefined) return event
  const words = ADDRESSES.find(([pattern]) => pattern.test(path))?.[1] ?? 'Change'
  const name = told.plan?.name ?? told.name
  return `${words}${name === undefined ? '' : `, “${name}”`}${told.grams === undefined ? '' : `, ${told.grams} g`}`
}

/** Figures of an entry that can be changed before it is sent again, by their name in the body. */
export const ENTRY_FIGURES: Readonly<Record<string, { readonly label: string; readonly unit: string }>> = {
  weighedGrams: { label: 'Weighed', unit: 'g' },
  grams: { label: 'Amount', unit: 'g' },
  seedGrams: { label: 'Starter', unit: 'g' },
  flourGrams: { label: 'Flour', unit: 'g' },
  waterGrams: { label: 'Water', unit: 'g' },
  mixTempC: { label: 'Temperature of the mix', unit: '°C' },
  tempC: { label: 'Temperature', unit: '°C' },
  levelMm: { label: 'Level', unit: 'mm' },
  rise: { label: 'Rise, as a factor', unit: '×' }
}
