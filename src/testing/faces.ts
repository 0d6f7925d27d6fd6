import { millisecondsInMinute } from 'date-fns/constants'
import {
  type Bake,
  type Beliefs,
  bakeOf,
  type Cultures,
  dayOfBake,
  howItShows,
  isItReady,
  levainFromShelf,
  levainToWeigh,
  questionOfBake,
  type Stocked,
  seedHydrationOf,
  solveBakeHere,
  whereItStands
} from '../answers'
import { bakeSchema, ingredientsSchema, jarSchema, kitchenSchema, vesselsSchema } from '../contract'
import { drawnIngredients, pantryOf, pourKey, type SolvedBake, UNKNOWN_JAR, type Verdict } from '../core'

/** What one face tells, question by question: instants in minutes, masses in grams. */
export type Told = Readonly<Record<string, number>>
export interface Face {
  readonly name: string
  readonly told: Told
}

/** Two faces may differ by what rounding takes: less than this. */
const MOST_MINUTES_APART = 3.01
const MOST_GRAMS_APART = 1.01

/** Where faces that answer the same question do not agree, one line each. */
export function disagreements(faces: readonly Face[]): string[] {
  const questions = [...new Set(faces.flatMap((f) => Object.keys(f.told)))]
  return questions.flatMap((question) => {
    const answers = faces.flatMap(({ name, told }) => (told[question] === undefined ? [] : [{ name, value: told[question] ?? NaN }]))
    const values = answers.map((a) => a.value)
    const most = question.endsWith(' g') ? MOST_GRAMS_APART : MOST_MINUTES_APART
    return Math.max(...values) - Math.min(...values) <= most ? [] : [`${question}: ${answers.map((a) => `${a.name} ${a.value.toFixed(1)}`).join(', ')}`]
  })
}

const minutes = (ms: number) => ms / millisecondsInMinute
/** Only what can be told. */
const known = (told: Readonly<Record<string, number | null | undefined>>): Told =>
  Object.fromEntries(Object.entries(told).filter((entry): entry is [string, number] => typeof entry[1] === 'number' && Number.isFinite(entry[1])))

/** What a window is given over HTTP. */
export interface Delivered {
  readonly kitchen: unknown
  readonly jars: readonly unknown[]
  readonly ingredients: unknown
  readonly vessels: unknown
  readonly bake: unknown
  /** What was learned of its jars; nothing, when left out. */
  readonly beliefs?: Beliefs
}

/** A window's ground: what it makes of what it is given. */
export function groundOf({ kitchen, jars, ingredients, vessels, beliefs }: Omit<Delivered, 'bake'>): {
  readonly stocked: Stocked
  readonly cultures: Cultures
} {
  const read = jars.map((jar) => jarSchema.parse(jar))
  return {
    stocked: {
      kitchen: kitchenSchema.parse(kitchen),
      pantry: pantryOf(ingredientsSchema.parse(ingredients).ingredients.map((listed) => listed.ingredient)),
      vessels: vesselsSchema.parse(vessels).vessels
    },
    cultures: { jars: read, beliefs: beliefs ?? new Map() }
  }
}

/** What a window tells of a bake at a moment. */
export function windowFace(
  delivered: Delivered,
  nowMs: number
): Face & { readonly items: readonly string[]; readonly levain: Told; readonly verdict: Verdict | null; readonly placeOfJar: string | null } {
  const { stocked, cultures } = groundOf(delivered)
  const bake = bakeOf(bakeSchema.parse(delivered.bake))
  const solved = solveBakeHere(bake, cultures, stocked, nowMs)
  const question = questionOfBake(bake, cultures, nowMs)
  const verdict = question === null ? null : isItReady(question)
  const day = dayOfBake(bake, { solved, verdict }, stocked, cultures, nowMs)
  const jar = cultures.jars.find((j) => j.id === bake.plan.jarId)
  const weights = jar === undefined ? null : levainToWeigh(bake.plan, seedHydrationOf(bake.plan, jar, bake.state.deeds), stocked)
  const steps = solved?.build?.steps ?? []
  const at = (id: string) => day.steps.find((s) => s.id === id)?.atMs
  const opens = verdict?.holds === true && verdict.phase !== 'collapsed' ? day.facts.running : null
  return {
    name: 'window',
    verdict,
    placeOfJar: jar === undefined ? null : whereItStands(jar, nowMs).placeId,
    items: steps.map(pourKey),
    levain: known(Object.fromEntries((weights?.ok ? weights.value.steps : []).map((s) => [`${pourKey(s)} g`, s.grams]))),
    told: known({
      ...Object.fromEntries(day.steps.map((s) => [`step ${s.id}`, minutes(s.atMs)])),
      begins: bake.state.band === null && day.beginsMs !== null ? minutes(day.beginsMs) : null,
      mix: bake.state.mixed === null ? minutes(day.mixMs) : null,
      'bulk ends': day.times === null || bake.state.deeds.has('shape') ? null : minutes(day.times.shapeMs),
      bread: day.times === null || at('out') === undefined ? null : minutes(day.times.outMs),
      'window opens': opens === null || verdict === null ? null : minutes(opens.bandMs) + verdict.forecast.opens.p50 * 60,
      ...Object.fromEntries(steps.map((s) => [`${pourKey(s)} g`, s.grams])),
      ...takenOff(bake, solved)
    })
  }
}

/** What a plan that is not begun takes off the shelf, by the window's own weights. */
function takenOff(bake: Bake, solved: SolvedBake | null): Told {
  if (bake.status !== 'planned' || solved?.build == null || !solved.dough.ok) return {}
  const sums = new Map<string, number>()
  const add = (id: string, grams: number) => sums.set(id, (sums.get(id) ?? 0) + grams)
  for (const [id, grams] of drawnIngredients(solved.dough.value.weigh.lines)) add(id, grams)
  for (const [id, grams] of levainFromShelf(solved.build)) add(id, grams)
  return Object.fromEntries([...sums].map(([id, grams]) => [`shelf ${id} g`, grams]))
}

/** What the text of a calendar tells of a bake. */
export function calendarFace(text: string, bakeId: string): Face {
  const events = text
    .replace(/\r\n /g, '')
    .split('BEGIN:VEVENT')
    .slice(1)
    .flatMap((event) => {
      const uid = /UID:(.*)/.exec(event)?.[1]?.trim() ?? ''
      const start = /DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z/.exec(event)
      if (!uid.startsWith(bakeId) || start === null) return []
      const [, y, mo, d, h, mi, s] = start.map(Number) as [number, number, number, number, number, number, number]
      return [
        {
          id: uid
            .slice(bakeId.length + 1)
            .replace('@olvent', '')
            .replace(/-/g, ' '),
          at: minutes(Date.UTC(y, mo - 1, d, h, mi, s))
        }
      ]
    })
  const told: Record<string, number> = {}
  for (const { id, at } of events) {
    if (id === 'window') told['window opens'] = at
    else told[`step ${id}`] = at
    if (id === 'mix') told.mix = at
    if (id === 'shape') told['bulk ends'] = at
    if (id === 'out') told.bread = at
  }
  const first = events.filter(({ id }) => /^(wake|first build|grow|build)/.test(id)).map(({ at }) => at)
  if (first.length > 0) told.begins = Math.min(...first)
  return { name: 'calendar', told }
}

/** What the Shelf tells that a bake will take. */
export function shelfFace(
  shelf: { readonly uses: readonly { readonly ingredientId: string; readonly grams: number; readonly forWhat: string }[] },
  name: string
): Face {
  const told: Record<string, number> = {}
  for (const use of shelf.uses) if (use.forWhat === name) told[`shelf ${use.ingredientId} g`] = (told[`shelf ${use.ingredientId} g`] ?? 0) + use.grams
  return { name: 'shelf', told }
}

/** What is told of a jar at a moment. */
export function jarFace(jarJson: unknown, nowMs: number, name = 'jar'): Face & { readonly placeId: string } {
  const jar = jarSchema.parse(jarJson)
  const { peakMs, hungryMs } = howItShows(jar, UNKNOWN_JAR, nowMs)
  const { placeId, next } = whereItStands(jar, nowMs)
  return {
    name,
    placeId,
    told: known({
      ripe: peakMs === null ? null : minutes(peakMs),
      hungry: hungryMs === null ? null : minutes(hungryMs),
      'moves on': next === null ? null : minutes(next.atMs),
      'in the jar g': jar.grams
    })
  }
}
