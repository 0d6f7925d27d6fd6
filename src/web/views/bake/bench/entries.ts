import type { Plan } from '../../../../contract'
import { doughItemsOf } from '../../../../contract'
import {
  type BakeState,
  type Composition,
  type DoughItem,
  FLOUR,
  gramsOfBlend,
  type Pantry,
  type PourItem,
  type PourManner,
  pourKey,
  pourOrder,
  preFermentItems,
  SALT,
  type SolvedBake,
  WATER
} from '../../../../core'
import type { Entry } from '../../../parts/weigh/entry'

const ITEM_NAMES: Readonly<Record<PourItem, string>> = {
  seed: 'Seed',
  'older levain': 'Older levain',
  water: 'Water',
  flour: 'Flour',
  salt: 'Salt',
  oil: 'Oil'
}

/** How each item goes in, by the manner of the culture. */
const HOW: Readonly<Record<PourManner, Readonly<Record<PourItem, string>>>> = {
  loosen: {
    seed: 'Bowl or jar on the scale, then the seed.',
    'older levain': 'The older levain with it.',
    water: 'Pour the water; swirl until the seed is loose in it.',
    flour: 'The flour on top; stir until no dry flour is left.',
    salt: 'The salt; stir it in.',
    oil: 'The oil; work it in.'
  },
  'knead in': {
    seed: 'Bowl on the scale, then the seed. Cut away a dry crust or slimy outside first.',
    'older levain': 'The older levain with it.',
    water: 'Pour the water; knead until smooth and firm.',
    flour: 'The flour over the seed; rub it in.',
    salt: 'The salt.',
    oil: 'The oil; work it in.'
  },
  'in portions': {
    seed: 'Bowl or jar on the scale, then the seed.',
    'older levain': 'The older levain with it.',
    water: 'A third of the water at first, the rest in portions while you stir the flour in.',
    flour: 'The flour, in turn with the rest of the water, until it runs off the spoon.',
    salt: 'The salt; stir it in.',
    oil: 'The oil; stir it in.'
  }
}

const PORTION_HOW: Readonly<Record<DoughItem['portion'], string>> = {
  autolyse: 'For the autolyse: flour and water together, then they rest.',
  mix: 'Into the bowl.',
  late: 'Held back: worked in at the end.'
}

const starter = (hydration: number): Composition => ({ flour: 1 / (1 + hydration), water: hydration / (1 + hydration), salt: 0 })
const NEITHER: Composition = { flour: 0, water: 0, salt: 0 }

/** Half a step of the scale: less is not missing. */
const isDue = (grams: number, poured: number, resolution: number, times: number) => (times === 0 ? grams > 0 : grams - poured >= resolution - 1e-9)

/** What is weighed for the levain, in the right order for its culture. */
export function levainEntries(
  { build }: SolvedBake,
  { pours, repairs }: BakeState,
  plan: Plan,
  jarName: string,
  jarHydration: number,
  pantry: Pantry
): Entry[] {
  if (build === null) return []
  return build.steps.map((step): Entry => {
    const key = pourKey(step)
    const there = pours.get(key) ?? []
    const poured = there.reduce((sum, p) => sum + p.grams, 0)
    const target = repairs.levain?.[key]
    const resolution = step.grams % 1 === 0 ? 1 : 0.1
    const { item, ingredientId } = step
    return {
      key,
      grams: target ?? step.grams,
      resolution,
      title: item === 'seed' ? `Seed from ${jarName}` : ingredientId !== null ? (pantry.get(ingredientId)?.name ?? 'Flour') : ITEM_NAMES[item],
      how: HOW[build.manner][item],
      poured,
      lastPourId: there.at(-1)?.id ?? null,
      due: there.length === 0 || (target !== undefined && isDue(target, poured, resolution, there.length)),
      composition:
        item === 'seed'
          ? starter(jarHydration)
          : item === 'older levain'
            ? starter(plan.build.older.hydration)
            : item === 'water'
              ? WATER
              : item === 'salt'
                ? SALT
                : item === 'flour'
                  ? FLOUR
                  : NEITHER,
      isCulture: item === 'seed' || item === 'older levain',
      note: { item, ...(ingredientId === null ? {} : { ingredientId }) }
    }
  })
}

/** What is weighed for the first build of a plan, so that it yields the seed of the last one. */
export function firstBuildEntries({ build }: SolvedBake, state: BakeState, plan: Plan, jarName: string, jarHydration: number, pantry: Pantry): Entry[] {
  const stage = plan.before.find((s) => s.kind === 'first build')
  if (stage === undefined || build === null) return []
  const entry = (key: string, title: string, grams: number, composition: Composition, item: PourItem): Entry => {
    const there = state.pours.get(`first build/${key}`) ?? []
    return {
      key,
      title,
      grams: Math.round(grams * 10) / 10,
      resolution: grams % 1 === 0 ? 1 : 0.1,
      how: HOW[build.manner][item],
      poured: there.reduce((sum, p) => sum + p.grams, 0),
      lastPourId: there.at(-1)?.id ?? null,
      due: there.length === 0,
      composition,
      isCulture: item === 'seed',
      note: { lineId: 'first build', ...(item === 'seed' ? {} : { ingredientId: key }) }
    }
  }
  return pourOrder(build.manner).flatMap((item) => {
    if (item === 'seed') return [entry('seed', `Seed from ${jarName}`, stage.seedGrams, starter(jarHydration), item)]
    if (item === 'water') return [entry('water', ITEM_NAMES.water, stage.waterGrams, WATER, item)]
    if (item !== 'flour') return []
    return gramsOfBlend(plan.build.flours, stage.flourGrams).map((f) =>
      entry(f.ingredientId, pantry.get(f.ingredientId)?.name ?? 'Flour', f.grams, FLOUR, item)
    )
  })
}

/** What is weighed for the dough, bowl after bowl. */
export function doughEntries(solved: SolvedBake, state: BakeState, plan: Plan, bowls: number): Entry[] {
  if (!solved.dough.ok) return []
  const { weigh } = solved.dough.value
  return doughItemsOf(plan, solved.dough.value, state, bowls).map((item) => ({
    ...weighEntry(item, state, 'dough'),
    how: `${PORTION_HOW[item.portion]}${bowls > 1 ? ` Bowl ${item.bowl} of ${bowls}.` : ''}`,
    composition: weigh.lines.find((l) => l.id === item.lineId)?.composition ?? NEITHER
  }))
}

/** What is weighed for a pre-ferment or soaker. */
export function preFermentEntries(solved: SolvedBake, state: BakeState, lineId: string, pantry: Pantry): Entry[] {
  if (!solved.dough.ok) return []
  return preFermentItems(solved.dough.value.weigh, lineId).map((item) => ({
    ...weighEntry({ ...item, grams: state.repairs['pre-ferment']?.[item.key] ?? item.grams }, state, 'pre-ferment'),
    composition: pantry.get(item.ingredientId ?? '')?.composition ?? NEITHER
  }))
}

function weighEntry(item: DoughItem, state: BakeState, into: 'dough' | 'pre-ferment'): Entry {
  const there = state.pours.get(`${into}/${item.key}`) ?? []
  const poured = there.reduce((sum, p) => sum + p.grams, 0)
  const target = state.repairs[into]?.[item.key]
  return {
    key: item.key,
    grams: item.grams,
    resolution: item.resolution,
    title: item.name,
    how: 'Into the bowl.',
    poured,
    lastPourId: there.at(-1)?.id ?? null,
    due: there.length === 0 || (target !== undefined && isDue(target, poured, item.resolution, there.length)),
    composition: NEITHER,
    isCulture: item.isLevain,
    note: { lineId: item.lineId, ...(item.ingredientId === null ? {} : { ingredientId: item.ingredientId }) }
  }
}

/** Pieces may be further off than what goes into a bowl. Source: craft knowledge. */
const PIECE_TOLERANCE = { share: 0.02, leastGrams: 2 } as const

/** The pieces a dough is shared out into, largest first. */
export function pieceEntries(state: BakeState, plan: Plan): Entry[] {
  if (plan.target.kind !== 'pieces') return []
  const { bakeLoss } = plan.target
  const pieces = plan.target.pieces.flatMap(({ count, grams }) => Array.from({ length: count }, () => grams / (1 - (bakeLoss ?? 0))))
  return pieces
    .sort((a, b) => b - a)
    .map((grams, i): Entry => {
      const key = `piece:${i + 1}`
      const there = state.pours.get(`pieces/${key}`) ?? []
      return {
        key,
        grams: Math.round(grams),
        resolution: 1,
        tolerance: Math.max(PIECE_TOLERANCE.leastGrams, PIECE_TOLERANCE.share * grams),
        title: `Piece ${i + 1} of ${pieces.length}`,
        how: 'A piece of dough onto the scale; cut off or add until it is right.',
        poured: there.reduce((sum, p) => sum + p.grams, 0),
        lastPourId: there.at(-1)?.id ?? null,
        due: there.length === 0,
        composition: NEITHER,
        isCulture: false,
        note: { lineId: 'dough' }
      }
    })
}
