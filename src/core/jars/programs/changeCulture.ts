import type { BlendPart } from '../../dough/ingredient'
import { FLOURS } from '../../ferment/flours'
import { ok, problem, type Result } from '../../units/result'
import { CULTURE_TRAITS, type Culture } from '../cultures'
import { feedByRatio } from '../feeding'
import { feedDeed, type Program, type ProgramStep } from './program'

/** A jar that is to become something else. */
export interface ChangeWish {
  readonly name: string
  readonly from: { readonly culture: Culture; readonly hydration: number; readonly feed: readonly BlendPart[] }
  readonly to: Culture
  /** What is kept at each feed, g. */
  readonly keepGrams: number
}

export type ChangeProblem = 'gluten stays' | 'no gluten in' | 'dried wakes' | 'already that'

/** Shares of the new flour, feed by feed: slowly, so that the culture follows. */
const SHARES = [0.25, 0.5, 0.75, 1, 1] as const
const BETWEEN_HOURS = 24
const FLOUR_PER_SEED = 2

/**
 * Changes a culture over some feeds: its flour by a quarter each time, its water along with it.
 * @returns the program, or why it cannot be: a culture that has lived on gluten never becomes gluten-free, and a gluten-free one is not given any
 */
export function changeCulture({ name, from, to, keepGrams }: ChangeWish): Result<Program, ChangeProblem> {
  if (from.culture === to) return problem('already that')
  if (from.culture === 'dried' || to === 'dried') return problem('dried wakes')
  if (to === 'gluten-free') return problem('gluten stays')
  if (from.culture === 'gluten-free') return problem('no gluten in')
  const { feed, hydration, flour } = CULTURE_TRAITS[to]
  let held = from.hydration
  const steps = SHARES.map((share, i): ProgramStep => {
    const wanted = from.hydration + (hydration - from.hydration) * share
    const mixed = mixBlends(from.feed, feed, share)
    const flourPerSeed = Math.max(FLOUR_PER_SEED, leastFor(held, wanted))
    const fed = feedByRatio({ grams: keepGrams, hydration: held }, flourPerSeed, wanted)
    const masses = fed.ok ? fed.value : { flour: keepGrams * flourPerSeed, water: keepGrams * flourPerSeed * wanted }
    held = wanted
    return {
      title: share < 1 ? `Feed it, ${Math.round(share * 100)} % of the new` : 'Feed it, all of the new',
      afterHours: i === 0 ? 0 : BETWEEN_HOURS,
      what: hydration < 0.65 && wanted < 0.65 ? 'Knead it to a smooth ball.' : 'Stir it smooth; stand it where it always stands.',
      sign:
        i === 0
          ? null
          : {
              good: FLOURS[flour].hold < 0.6 ? 'It has risen and smells clean, even if it stays lower than before.' : 'It has risen about as well as before.',
              notYet: 'Give it half a day more and stay with this flour; go on when it rises.',
              againHours: 12,
              meanwhile: null
            },
      deed: feedDeed(keepGrams, mixed, masses.flour, masses.water)
    }
  })
  return ok({
    kind: 'change',
    title: `${name} becomes ${to}`,
    says: 'A quarter more of the new at each feed, so that those that live in it follow. Keep a spare of the old one until it holds.',
    steps: [
      ...steps,
      {
        title: `It is ${to} now`,
        afterHours: BETWEEN_HOURS,
        what: 'From now on it is fed like this.',
        sign: {
          good: 'It rises as such a culture does.',
          notYet: 'Feed it once more like the last time.',
          againHours: 24,
          meanwhile: steps.at(-1)?.deed ?? null
        },
        deed: { kind: 'become', culture: to, flour, feed }
      }
    ]
  })
}

function leastFor(seedHydration: number, hydration: number): number {
  const tried = feedByRatio({ grams: 1, hydration: seedHydration }, 0.01, hydration)
  return tried.ok ? 0 : (tried.problem.values.leastFlourPerSeed ?? 0) * 1.05
}

function mixBlends(from: readonly BlendPart[], to: readonly BlendPart[], share: number): BlendPart[] {
  const sum = (blend: readonly BlendPart[]) => blend.reduce((t, p) => t + p.share, 0)
  const parts = new Map<string, number>()
  for (const [blend, weight] of [
    [from, 1 - share],
    [to, share]
  ] as const) {
    for (const part of blend) parts.set(part.ingredientId, (parts.get(part.ingredientId) ?? 0) + (weight * part.share) / sum(blend))
  }
  return [...parts].filter(([, part]) => part > 0).map(([ingredientId, part]) => ({ ingredientId, share: part }))
}
