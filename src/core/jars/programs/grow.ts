import { type LadderProblem, MOST_GROWTH, solveLadder } from '../../build/ladder'
import type { BlendPart } from '../../dough/ingredient'
import { ok, problem, type Result } from '../../units/result'
import { type FeedsFrom, timedFeeds } from '../timedFeeds'
import { feedDeed, type Program } from './program'

/** Water ÷ flour from which a culture froths more than it rises. */
const WET = 1.5
/** Room a culture wants beside its own, by what it does. */
const ROOM = { rises: 2.5, froths: 1.7 } as const

/** Litres of vessel for so many grams; a gram is about a millilitre. */
const litresFor = (grams: number, hydration: number) => Math.max(Math.ceil((grams * (hydration > WET ? ROOM.froths : ROOM.rises)) / 500) / 2, 0.5)

/**
 * Grows a jar to a large amount, in as few feeds as it can bear.
 * @param wanted ripe starter wanted beside what is always kept, g
 * @param jar what is in it, g, and what is always kept
 * @param strong whether it may be grown fast
 * @returns feeds of the whole jar, nothing discarded; `nothing to spare` for an empty one
 */
export function growJar(
  name: string,
  wanted: number,
  jar: { readonly grams: number; readonly keepMinimumGrams: number; readonly strong: boolean },
  from: FeedsFrom,
  feed: readonly BlendPart[],
  atMs: number
): Result<Program, LadderProblem> {
  const total = wanted + jar.keepMinimumGrams
  if (!(jar.grams > 0)) return problem('nothing to spare')
  const ladder = solveLadder({
    seedGrams: total,
    spareGrams: jar.grams,
    jarHydration: from.kept.hydration,
    hydration: from.hydration,
    mostGrowth: jar.strong ? MOST_GROWTH.vigorous : MOST_GROWTH.sluggish
  })
  if (!ladder.ok) return ladder
  const stages = ladder.value
  const timed = timedFeeds(
    from,
    stages.map((s) => s.flourPerSeed),
    atMs
  )
  return ok({
    kind: 'grow',
    title: `${name} grows to ${Math.round(total)} g`,
    says:
      stages.length === 0
        ? 'There is enough already.'
        : `In ${stages.length === 1 ? 'one feed' : `${stages.length} feeds`}, each at the top of the one before. The vessel has to hold about ${litresFor(total, from.hydration)} l${from.hydration > WET ? ': so wet it froths more than it rises' : ''}.`,
    steps: [
      ...stages.map(({ masses }, i) => ({
        title: stages.length === 1 ? 'Feed it large' : i === 0 ? 'The first feed' : 'The next feed',
        afterHours: i === 0 ? 0 : (timed[i - 1]?.ripeHours ?? 0),
        what: i === 0 && masses.seed < jar.grams - 0.5 ? 'What is over goes to the discard pot.' : 'All of it is fed.',
        sign: i === 0 ? null : { good: 'It stands at its top.', notYet: 'Wait for the top; look again in an hour.', againHours: 1, meanwhile: null },
        deed: feedDeed(i === 0 ? Math.min(Math.round(masses.seed), jar.grams) : null, feed, masses.flour, masses.water)
      })),
      {
        title: 'There it is',
        afterHours: timed.at(-1)?.ripeHours ?? 0,
        what: `${Math.round(wanted)} g to use, ${Math.round(jar.keepMinimumGrams)} g to keep.`,
        sign: { good: 'It stands at its top.', notYet: 'Look again in an hour.', againHours: 1, meanwhile: null },
        deed: null
      }
    ]
  })
}
