import { type Composition, type TrueValues, trueValues } from '../dough/composition'

/** One item of a bowl, as planned and as poured. */
export interface BowlItem {
  readonly key: string
  readonly composition: Composition
  /** As planned, g. */
  readonly planned: number
  /** What is in, g; 0: not poured yet. */
  readonly poured: number
  /** The share of a culture: seed or levain. */
  readonly isCulture: boolean
}

/** Ways on after a mis-pour, the one with the least work first where they do equally well. */
export const REPAIRS = ['go on as is', 'correct by adding', 'bring the others along'] as const
export type RepairKind = (typeof REPAIRS)[number]

/** One way on, and what it comes to. */
export interface Repair {
  readonly kind: RepairKind
  /** What each item is to hold in the end, g. */
  readonly targets: Readonly<Record<string, number>>
  /** What of it goes in besides what was planned for items that are in already, g. */
  readonly added: Readonly<Record<string, number>>
  readonly truth: TrueValues
  /** Share of culture against the plan, less 1. */
  readonly cultureOff: number
  /** Whether it stays as good as planned. */
  readonly within: boolean
}

/** What still counts as the same dough or levain. Source: craft knowledge. */
export const REPAIR_TOLERANCE = { hydration: 0.01, salt: 0.001, culture: 0.05 } as const
/** Less than this is not worth going to the scale for, g. */
const LEAST_GRAMS = 0.05

/**
 * The repairs of a mis-pour, three at the most, each with what then is really in the bowl.
 * @param items all that goes into the bowl, in the order it is poured
 * @param round to what the scale can show
 * @returns the one to be recommended first: of those that stay within tolerance the one with the least work, else the nearest
 */
export function repairsOf(items: readonly BowlItem[], round: (grams: number, key: string) => number = (g) => g): Repair[] {
  const plan = trueValues(items.map(({ planned, composition }) => ({ grams: planned, composition })))
  const asIs = new Map(items.map((i) => [i.key, i.poured > 0 ? i.poured : i.planned]))
  const factor = Math.max(1, ...items.map((i) => (i.planned > 0 ? i.poured / i.planned : 0)))
  const along = new Map(items.map((i) => [i.key, Math.max(i.poured, round(i.planned * factor, i.key))]))
  const repairs = [
    repairOf('go on as is', items, asIs, plan),
    repairOf('correct by adding', items, corrected(items, asIs, plan, round), plan),
    repairOf('bring the others along', items, along, plan)
  ]
  const work = ({ added }: Repair) => Object.keys(added).length
  // Where nothing that is added puts it right, that is no way of its own.
  const apart = repairs.filter(({ kind, targets }) => kind !== 'correct by adding' || items.some(({ key }) => targets[key] !== asIs.get(key)))
  // Two that come to the same are one.
  const ways = apart.filter(
    (way, i) => !apart.slice(0, i).some((before) => items.every(({ key }) => Math.abs((before.targets[key] ?? 0) - (way.targets[key] ?? 0)) < LEAST_GRAMS))
  )
  return ways.sort((a, b) => Number(b.within) - Number(a.within) || (a.within ? work(a) - work(b) : offOf(a, plan) - offOf(b, plan)))
}

/** How far from the plan, in tolerances. */
function offOf({ truth, cultureOff }: Repair, plan: TrueValues): number {
  return (
    Math.abs(truth.hydration - plan.hydration) / REPAIR_TOLERANCE.hydration +
    Math.abs(truth.salt - plan.salt) / REPAIR_TOLERANCE.salt +
    Math.abs(cultureOff) / REPAIR_TOLERANCE.culture
  )
}

/** Flour or water to bring the hydration back, then salt in proportion. Nothing is taken out. */
function corrected(
  items: readonly BowlItem[],
  asIs: ReadonlyMap<string, number>,
  plan: TrueValues,
  round: (grams: number, key: string) => number
): Map<string, number> {
  const targets = new Map(asIs)
  const inBowl = () => trueValues(items.map(({ key, composition }) => ({ grams: targets.get(key) ?? 0, composition })))
  const largest = (part: keyof Composition) =>
    items.reduce<BowlItem | null>((best, i) => (i.composition[part] > 0.99 && i.planned > (best?.planned ?? 0) ? i : best), null)
  const add = (item: BowlItem | null, grams: number) => {
    if (item === null) return
    // What is not in yet may become less as well.
    const least = Math.max(item.poured, 0)
    targets.set(item.key, Math.max(least, round((targets.get(item.key) ?? 0) + grams, item.key)))
  }
  const [flour, water, salt] = [largest('flour'), largest('water'), largest('salt')]
  const { hydration, flourGrams, waterGrams } = inBowl()
  if (plan.hydration > 0 && hydration > plan.hydration) {
    // Less water where it is still to come, else more flour.
    if (water !== null && water.poured === 0) add(water, plan.hydration * flourGrams - waterGrams)
    const now = inBowl()
    if (now.hydration > plan.hydration) add(flour, now.waterGrams / plan.hydration - now.flourGrams)
  } else if (plan.hydration > 0 && hydration < plan.hydration) {
    if (flour !== null && flour.poured === 0) add(flour, waterGrams / plan.hydration - flourGrams)
    const now = inBowl()
    if (now.hydration < plan.hydration) add(water, plan.hydration * now.flourGrams - now.waterGrams)
  }
  const now = inBowl()
  if (plan.salt > 0) add(salt, plan.salt * now.flourGrams - now.salt * now.flourGrams)
  return targets
}

function repairOf(kind: RepairKind, items: readonly BowlItem[], targets: ReadonlyMap<string, number>, plan: TrueValues): Repair {
  const truth = trueValues(items.map(({ key, composition }) => ({ grams: targets.get(key) ?? 0, composition })))
  const culture = (grams: (i: BowlItem) => number) => items.reduce((sum, i) => (i.isCulture ? sum + grams(i) : sum), 0)
  const planned = culture((i) => i.planned) / plan.totalGrams
  const cultureOff = planned > 0 ? culture((i) => targets.get(i.key) ?? 0) / truth.totalGrams / planned - 1 : 0
  const added = items.flatMap(({ key, poured }) => {
    const more = (targets.get(key) ?? 0) - poured
    return poured > 0 && more > LEAST_GRAMS ? [[key, more] as const] : []
  })
  return {
    kind,
    targets: Object.fromEntries(targets),
    added: Object.fromEntries(added),
    truth,
    cultureOff,
    within:
      Math.abs(truth.hydration - plan.hydration) <= REPAIR_TOLERANCE.hydration + 1e-9 &&
      Math.abs(truth.salt - plan.salt) <= REPAIR_TOLERANCE.salt + 1e-9 &&
      Math.abs(cultureOff) <= REPAIR_TOLERANCE.culture + 1e-9
  }
}
