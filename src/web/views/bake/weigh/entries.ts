import { doughItemsOf, floursOfFirstBuild } from '../../../../answers'
import type { Plan } from '../../../../contract'
import {
  type BakeState,
  type Composition,
  type DoughItem,
  doughPieces,
  FLOUR,
  levainOf,
  type Pantry,
  type PourItem,
  pourCompositions,
  pourKey,
  pourOrder,
  preFermentItems,
  type RepairInto,
  roundToScale,
  type SolvedBake,
  type SolvedDough,
  scaleStep,
  WATER,
  weighKey
} from '../../../../core'
import { capital, ITEM_WORDS, PORTION_WORDS, POUR_WORDS, seedWord } from '../../../../words'
import { ENTRIES } from '../../../../words/screens/weigh'
import type { Entry } from '../../../parts/weigh/entry'

const NEITHER: Composition = { flour: 0, water: 0, salt: 0 }

/** An item of a bowl with what is in of it: due until it is poured, and again where a way on asks for more. */
function entryOf(draft: Omit<Entry, 'poured' | 'lastPourId' | 'due'>, { pours, repairs }: BakeState, into: RepairInto | 'pieces'): Entry {
  const there = pours.get(into === 'levain' ? draft.key : weighKey({ into, key: draft.key })) ?? []
  const poured = there.reduce((sum, p) => sum + p.grams, 0)
  const target = into === 'pieces' ? undefined : repairs[into]?.[draft.key]
  return {
    ...draft,
    grams: target ?? draft.grams,
    poured,
    lastPourId: there.at(-1)?.id ?? null,
    due: there.length === 0 || (target !== undefined && target - poured >= draft.resolution - 1e-9)
  }
}

/** What is weighed for the levain, in the right order for its culture. */
export function levainEntries({ build }: SolvedBake, state: BakeState, plan: Plan, jarName: string, jarHydration: number, pantry: Pantry): Entry[] {
  if (build === null) return []
  const isBuilt = plan.before.some(({ kind }) => kind === 'first build')
  const compositions = pourCompositions(jarHydration, plan.build.older.hydration)
  return build.steps.map((step): Entry => {
    const { item, ingredientId, grams, resolution } = step
    const draft = {
      key: pourKey(step),
      grams,
      resolution,
      title:
        item === 'seed'
          ? isBuilt
            ? capital(seedWord(plan))
            : ENTRIES.starterFrom(jarName)
          : ingredientId !== null
            ? (pantry.get(ingredientId)?.name ?? ENTRIES.flour)
            : capital(ITEM_WORDS[item]),
      how: item === 'seed' && isBuilt ? ENTRIES.someOfIt : POUR_WORDS[build.manner][item],
      composition: compositions[item],
      isCulture: item === 'seed' || item === 'older levain',
      note: { item, ...(ingredientId === null ? {} : { ingredientId }) }
    }
    return entryOf(draft, state, 'levain')
  })
}

/** What is weighed for the first build of a plan, so that it yields the seed of the last one. */
export function firstBuildEntries(
  { build }: SolvedBake,
  state: BakeState,
  plan: Plan,
  jarName: string,
  jarHydration: number,
  pantry: Pantry,
  smallScale: boolean
): Entry[] {
  const stage = plan.before.find((s) => s.kind === 'first build')
  if (stage === undefined || build === null) return []
  const entry = (key: string, title: string, grams: number, composition: Composition, item: PourItem) =>
    entryOf(
      {
        key,
        title,
        grams: roundToScale(grams, scaleStep(grams, smallScale)),
        resolution: scaleStep(grams, smallScale),
        how: POUR_WORDS[build.manner][item],
        composition,
        isCulture: item === 'seed',
        note: { lineId: 'first build', ...(item === 'seed' ? {} : { ingredientId: key }) }
      },
      state,
      'first build'
    )
  return pourOrder(build.manner).flatMap((item) => {
    if (item === 'seed') return [entry('seed', ENTRIES.starterFrom(jarName), stage.seedGrams, levainOf(jarHydration), item)]
    if (item === 'water') return [entry('water', capital(ITEM_WORDS.water), stage.waterGrams, WATER, item)]
    if (item !== 'flour') return []
    return floursOfFirstBuild(plan, stage).map((f) => entry(f.ingredientId, pantry.get(f.ingredientId)?.name ?? 'Flour', f.grams, FLOUR, item))
  })
}

/** What is weighed for the dough, bowl after bowl. */
export function doughEntries(solved: SolvedBake, state: BakeState, plan: Plan, bowls: number): Entry[] {
  if (!solved.dough.ok) return []
  const { weigh } = solved.dough.value
  // Starter that is used as it is was weighed into the bowl first; only where there are several is it shared out.
  const isInBowl = plan.build.source === 'as it is' && bowls === 1
  const items = doughItemsOf(plan, solved.dough.value, state, bowls).filter((item) => !(isInBowl && item.isLevain))
  return items.map((item) => ({
    ...weighEntry(item, state, 'dough'),
    bowl: item.bowl,
    how: `${PORTION_WORDS[item.portion]}${bowls > 1 ? ENTRIES.bowl(item.bowl, bowls) : ''}`,
    composition: weigh.lines.find((l) => l.id === item.lineId)?.composition ?? NEITHER
  }))
}

/** What is weighed for a pre-ferment or soaker. */
export function preFermentEntries(solved: SolvedBake, state: BakeState, lineId: string, pantry: Pantry): Entry[] {
  if (!solved.dough.ok) return []
  return preFermentItems(solved.dough.value.weigh, lineId).map((item) => ({
    ...weighEntry(item, state, 'pre-ferment'),
    composition: pantry.get(item.ingredientId ?? '')?.composition ?? NEITHER
  }))
}

function weighEntry(item: DoughItem, state: BakeState, into: 'dough' | 'pre-ferment'): Entry {
  const { key, grams, resolution, name, isLevain, lineId, ingredientId } = item
  const note = { lineId, ...(ingredientId === null ? {} : { ingredientId }) }
  return entryOf({ key, grams, resolution, title: name, how: ENTRIES.intoBowl, composition: NEITHER, isCulture: isLevain, note }, state, into)
}

/** Pieces may be further off than what goes into a bowl. Source: craft knowledge. */
const PIECE_TOLERANCE = { share: 0.02, leastGrams: 2 } as const

/** The pieces a dough is shared out into, largest first. */
export function pieceEntries(state: BakeState, plan: Plan, dough: Pick<SolvedDough, 'doughGrams' | 'addedFlourGrams'>): Entry[] {
  const pieces = doughPieces(plan.target, dough).flatMap(({ count, grams }) => Array.from({ length: count }, () => grams))
  return pieces
    .sort((a, b) => b - a)
    .map((grams, i) =>
      entryOf(
        {
          key: `piece:${i + 1}`,
          grams: Math.round(grams),
          resolution: 1,
          tolerance: Math.max(PIECE_TOLERANCE.leastGrams, PIECE_TOLERANCE.share * grams),
          title: ENTRIES.piece(i + 1, pieces.length),
          how: ENTRIES.pieceDoughOntoScaleCut,
          composition: NEITHER,
          isCulture: false,
          note: { lineId: 'dough' }
        },
        state,
        'pieces'
      )
    )
}
