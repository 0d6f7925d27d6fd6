import type { Guess, Jar } from '../contract'
import { type JarBelief, type JarTraits, PARAMETER_SPREAD, PARAMETERS, type Trait } from '../core'

const percent = (share: number) => `${Math.round(Math.abs(share) * 100)} %`
/** Less than this is not worth a word. */
const ALIKE = 0.05

/** Nine times in ten on one side of the typical jar: said plainly; else with doubt. */
const isSure = ({ low, high }: Trait) => low > 1 || high < 1

function said(trait: Trait, more: string, less: string, alike: string): string {
  if (Math.abs(trait.factor - 1) < ALIKE) return alike
  const words = trait.factor > 1 ? more : less
  return isSure(trait) ? words : `perhaps ${words}`
}

/**
 * What was learned of a jar, in words.
 * @returns one clause each for pace, height, the cold and waking, those that are like any other left out
 * @example "Juno peaks 20 % sooner than a typical jar; rises 12 % higher; slow in the cold."
 */
export function jarSentence(name: string, { peakTime, height, cold, waking }: JarTraits): string {
  const pace = said(
    peakTime,
    `peaks ${percent(peakTime.factor - 1)} later than a typical jar`,
    `peaks ${percent(1 - peakTime.factor)} sooner than a typical jar`,
    'peaks when a typical jar does'
  )
  const rest = [
    said(height, `rises ${percent(height.factor - 1)} higher`, `stays ${percent(1 - height.factor)} lower`, ''),
    said(cold, 'slow in the cold', 'quick in the cold', ''),
    said(waking, 'slow to wake', 'quick to wake', '')
  ].filter((words) => words !== '')
  return `${name} ${[pace, ...rest].join('; ')}.`
}

/** How far the pace of a jar may lie from what is believed (sd of its logarithm), beside that of one nobody knows. */
function known(belief: JarBelief): number {
  const at = PARAMETERS.indexOf('vigour')
  return 1 - Math.sqrt(belief.covariance[at]?.[at] ?? 0) / PARAMETER_SPREAD.vigour
}

/** How much is known of a jar, in one sentence beside its forecast. */
export function knownSentence(jar: Pick<Jar, 'name' | 'pace'>, belief: JarBelief): string {
  if (jar.pace.kind === 'pinned') return `You have pinned the pace of ${jar.name}.`
  const share = known(belief)
  if (share < 0.05) return `Wide, because Olvent does not know ${jar.name} yet; looks at it while it rises make it narrow.`
  if (share < 0.4) return `Olvent is getting to know ${jar.name}: every build with a look or two makes this narrower.`
  return `From what ${jar.name} did before.`
}

/** What of a jar may be a guess, in words. */
export const GUESS_WORDS: Readonly<Record<Guess, string>> = {
  grams: 'how much is in it',
  hydration: 'how thick it is',
  lastFedAt: 'when it was last fed'
}
