import { FRESH_YEAST_WORTH, INSTANT_YEAST, withYeast } from '../ferment/culture'
import type { FloursByKind } from '../ferment/flours'
import { TYPICAL_JAR } from '../ferment/jarParameters'
import { simulate } from '../ferment/simulate'
import { entriesOf } from '../units/keysOf'
import { kindsOfGrams } from './blend'
import type { Ingredient, Pantry } from './ingredient'
import type { WeighedPart } from './mix'

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

/** Instant yeast that one gram of a yeast is worth. */
const worthOf = ({ id, composition }: Ingredient) => (id === 'fresh yeast' || composition.water > 0.5 ? FRESH_YEAST_WORTH : 1)

/**
 * What is added to a dough.
 * @param drawn grams by ingredient, what is in pre-ferments too
 * @param ahead parts of each pre-ferment
 */
export function additionsOf(drawn: ReadonlyMap<string, number>, ahead: readonly (readonly WeighedPart[])[], pantry: Pantry): Additions {
  const sum = (grams: ReadonlyMap<string, number>, of: (ingredient: Ingredient) => number) =>
    [...grams].reduce((total, [id, g]) => {
      const ingredient = pantry.get(id)
      return ingredient === undefined ? total : total + g * of(ingredient)
    }, 0)
  const yeastIn = (grams: ReadonlyMap<string, number>) => sum(grams, (i) => (i.kind === 'yeast' ? worthOf(i) : 0))
  const grown = ahead.reduce((total, parts) => {
    const grams = gramsOf(parts)
    const yeast = yeastIn(grams)
    return yeast > 0
      ? total +
          grownYeast(
            yeast,
            grams,
            sum(grams, (i) => i.composition.water),
            pantry
          ) -
          yeast
      : total
  }, 0)
  return { yeastGrams: yeastIn(drawn) + grown, sugarGrams: sum(drawn, (i) => i.sugar ?? 0), fatGrams: sum(drawn, (i) => i.fat ?? 0) }
}

/** Grams by ingredient in the parts of a pre-ferment, to any depth. */
function gramsOf(parts: readonly WeighedPart[], into = new Map<string, number>()): Map<string, number> {
  for (const { ingredientId, grams, parts: within } of parts) {
    if (ingredientId !== null) into.set(ingredientId, (into.get(ingredientId) ?? 0) + grams)
    gramsOf(within, into)
  }
  return into
}

/** What the yeast of a pre-ferment has grown to when it goes into the dough, as instant yeast, g. */
function grownYeast(yeastGrams: number, grams: ReadonlyMap<string, number>, waterGrams: number, pantry: Pantry): number {
  const ground = [...grams].filter(([id]) => pantry.get(id)?.flourKind !== undefined)
  const kinds: FloursByKind = kindsOfGrams(Object.fromEntries(ground), pantry)
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
