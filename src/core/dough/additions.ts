import { FRESH_YEAST_WORTH, INSTANT_YEAST, withYeast } from '../ferment/culture'
import { TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { entriesOf } from '../units/keysOf'
import { kindsOfGrams } from './blend'
import type { Ingredient, Pantry } from './ingredient'
import { drawnIngredients } from './roundDough'
import type { SolvedLine } from './solveFormula'

/** What a dough's culture feels besides flour, water and salt, g. */
export interface Additions {
  /** As instant yeast: fresh yeast by what it is worth, and what has grown in a poolish or biga. */
  readonly yeastGrams: number
  /** Sugar in whatever is sweet; that of fruit stays in the fruit. */
  readonly sugarGrams: number
  readonly fatGrams: number
}

export const NO_ADDITIONS: Additions = { yeastGrams: 0, sugarGrams: 0, fatGrams: 0 }

/** A yeasted pre-ferment is taken at its peak, and no later than this after its mix, h, at this warmth, °C. Source: craft knowledge, the usual night. */
const AHEAD = { hours: 14, tempC: 20, grams: 300 } as const

/** Instant yeast that one gram of a yeast is worth: fresh yeast is mostly water. */
const worthOf = ({ composition }: Ingredient) => (composition.water > 0.5 ? FRESH_YEAST_WORTH : 1)

/** What is added to a dough. @param lines as it is weighed */
export function additionsOf(lines: readonly SolvedLine[], pantry: Pantry): Additions {
  const sum = (drawn: ReadonlyMap<string, number>, of: (ingredient: Ingredient) => number) =>
    [...drawn].reduce((total, [id, grams]) => {
      const ingredient = pantry.get(id)
      return ingredient === undefined ? total : total + grams * of(ingredient)
    }, 0)
  const all = drawnIngredients(lines)
  // What is in a pre-ferment has grown by the time it goes in; the rest is as it was weighed.
  const yeastGrams = lines.reduce((total, line) => {
    const drawn = drawnIngredients([line])
    const yeast = sum(drawn, (i) => (i.kind === 'yeast' ? worthOf(i) : 0))
    if (line.kind !== 'pre-ferment' || yeast === 0) return total + yeast
    const water = sum(drawn, (i) => i.composition.water)
    return total + grownYeast(yeast, drawn, water, pantry)
  }, 0)
  return { yeastGrams, sugarGrams: sum(all, (i) => i.sugar ?? 0), fatGrams: sum(all, (i) => i.fat ?? 0) }
}

/** What the yeast of a pre-ferment has grown to when it goes into the dough, as instant yeast, g. */
function grownYeast(yeastGrams: number, grams: ReadonlyMap<string, number>, waterGrams: number, pantry: Pantry): number {
  const ground = [...grams].filter(([id]) => pantry.get(id)?.flourKind !== undefined)
  const kinds = kindsOfGrams(Object.fromEntries(ground), pantry)
  const flour = ground.reduce((sum, [, g]) => sum + g, 0)
  if (!(flour > 0)) return yeastGrams
  const vessel = {
    start: withYeast({ yeast: 0, bacteria: 0, food: 1, acid: 0, lagWork: 0 }, yeastGrams / flour),
    massGrams: AHEAD.grams,
    hydration: waterGrams / flour,
    salt: (grams.get('salt') ?? 0) / flour,
    flours: Object.fromEntries(entriesOf(kinds).map(([kind, g]) => [kind, g / flour])),
    mixTempC: AHEAD.tempC,
    stays: [{ fromHours: 0, tempC: AHEAD.tempC }]
  }
  const run = simulate(vessel, TYPICAL_JAR, { untilHours: AHEAD.hours })
  const { peakHours } = run.milestones
  const { yeast } = peakHours === null || peakHours >= AHEAD.hours ? run.end : simulate(vessel, TYPICAL_JAR, { untilHours: peakHours }).end
  return (yeast * flour) / INSTANT_YEAST.densityPerShare
}
