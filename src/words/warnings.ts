import type { AwakeRatio, Format, Slip, Strength, Warning } from '../core'
import { near } from './phases'

/** A warning as words: what, why and the way out. */
export interface Told {
  readonly code: Warning['code']
  readonly tone: 'care' | 'stop'
  readonly words: string
  /** Ways out that can be taken at once. */
  readonly others: readonly AwakeRatio[]
}

const NEEDS: Readonly<Record<Strength, string>> = {
  'ready as it is': 'is ready to use',
  'one feed': 'needs one feed first to be at its best',
  'two feeds': 'needs two feeds first',
  revival: 'needs reviving over some days before it can raise a levain'
}

/** What a culture needs, in words. */
export const needOf = (strength: Strength) => NEEDS[strength]

const SLIPS: Readonly<Record<Slip['kind'], (meant: string) => string>> = {
  'three times over': (meant) => ` looks like ${meant} three times over`,
  twice: (meant) => ` looks like ${meant} twice over`,
  'decimal point': (meant) => ` looks like ${meant} with the point in the wrong place`,
  'digits swapped': (meant) => ` looks like ${meant} with its digits swapped`
}
const slipWords = (slip: Slip) => SLIPS[slip.kind](`${slip.meant} %`)

/**
 * The sentence for a warning.
 * @param jarName whose seed it is
 */
export function tellWarning(warning: Warning, jarName: string, format: Format): Told {
  const told = (words: string, tone: Told['tone'] = 'care', others: readonly AwakeRatio[] = []): Told => ({ code: warning.code, tone, words, others })
  switch (warning.code) {
    case 'start in the night':
      return told(`${format.dayTime(near(warning.startMs))} falls in your night. Choose another ratio, place or time to mix.`, 'care', warning.others)
    case 'start has passed':
      return told(
        `The start was ${format.dayTime(near(warning.startMs))}, which has passed. Started now, it is ready about ${format.dayTime(near(warning.soonestMs))}. A lower ratio or a warmer place is faster.`,
        'care',
        warning.others
      )
    case 'mix in the night':
      return told('The time to mix falls in your night.')
    case 'jar too small':
      return told(
        `${format.mass(warning.seedGrams)} of starter are needed, and ${jarName} can spare ${format.mass(warning.spareGrams)} without running out. ${warning.asItIs === true ? 'Plan a feed for this mix, which makes more of it.' : 'Feed it first, or take a higher ratio.'}`,
        'stop'
      )
    case 'gluten into gluten-free':
      return told(`${jarName} is gluten-free. This flour holds gluten and would end that.`, 'stop')
    case 'culture weak':
      return told(`By then ${jarName} ${needOf(warning.strength)}.`)
    case 'nothing kept':
      return told(`Nothing of ${jarName} would be left. Keep some back, or the culture is gone.`, 'stop')
    case 'vessel too small':
      return told(
        `${warning.vessel} would be ${format.percent(warning.full, 0)} full at the peak and foam over. ${warning.other === null ? 'No vessel of this kitchen is large enough: build in two.' : `${warning.other} fits.`}`,
        'care'
      )
    case 'much old starter':
      return told('That is much old starter for little food: it gets sluggish, flat and sour. Give it more flour.')
    case 'hydration unusual':
      return told(
        `${format.percent(warning.share)} hydration is unusual for such a dough (${format.percent(warning.usual[0], 0)} to ${format.percent(warning.usual[1], 0)})${warning.slip === null ? '' : ` and${slipWords(warning.slip)}`}. Is it meant?`
      )
    case 'salt unusual':
      return warning.slip === null
        ? told(`${format.percent(warning.share)} salt is unusual (up to 3.5 %). Is it meant?`)
        : told(`${format.percent(warning.share)} salt${slipWords(warning.slip)}. Is it meant?`)
    case 'yeast unusual':
      return told(`${format.percent(warning.share)} yeast is unusual (up to 3 %). Is it meant?`)
    case 'pre-fermented unusual':
      return told(
        `${format.percent(warning.share)} of all flour would come ripe with the levain, more than half. The dough will be sour and slack. Is it meant?`
      )
    case 'piece unusual':
      return told(`A piece of ${format.mass(warning.grams)} is unusual. Is it meant?`)
    case 'water too hot':
      return told(
        `The water alone cannot bring the mix to that warmth without passing ${format.temperature(warning.tempC)}, which harms the culture. Warm the flour or take the jar out of the cold earlier.`,
        'stop'
      )
  }
}
