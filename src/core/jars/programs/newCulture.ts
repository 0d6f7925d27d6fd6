import type { BlendPart } from '../../dough/ingredient'
import { feedDeed, type Program, type ProgramStep, type Sign } from './program'

/** Schools of starting a culture: gather at first and throw nothing away, or keep little from the start. */
export const NEW_CULTURE_SCHOOLS = ['gather first', 'keep it small'] as const
export type NewCultureSchool = (typeof NEW_CULTURE_SCHOOLS)[number]

/** How a new culture is to be. */
export interface NewCulture {
  readonly school: NewCultureSchool
  readonly feed: readonly BlendPart[]
  /** Water ÷ flour. */
  readonly hydration: number
}

const DAY = 24
/** Flour of the first day and of each feed, g. */
const GRAMS = { 'gather first': 50, 'keep it small': 30 } as const

/** Flour and water of the first day, g. */
export function firstMix({ school, hydration }: Pick<NewCulture, 'school' | 'hydration'>): { readonly flourGrams: number; readonly waterGrams: number } {
  const flourGrams = GRAMS[school]
  return { flourGrams, waterGrams: Math.round(flourGrams * hydration) }
}

/**
 * A new culture from flour and water, from the day after it was mixed. Source: craft knowledge; the days are those of a kitchen at 22 to 26 °C.
 * @example newCulture({ school: 'gather first', feed: [{ ingredientId: 'rye', share: 1 }], hydration: 1 }).steps.length // 9
 */
export function newCulture({ school, feed, hydration }: NewCulture): Program {
  const flour = GRAMS[school]
  const fed = (keepGrams: number | null, flourGrams: number) => feedDeed(keepGrams, feed, flourGrams, flourGrams * hydration)
  const kept = Math.round(flour * (1 + hydration) * 0.5)
  const step = (title: string, what: string, sign: Sign | null, deed: ProgramStep['deed']): ProgramStep => ({ title, afterHours: DAY, what, sign, deed })
  const again = (deed: ProgramStep['deed'], good: string, notYet: string): Sign => ({ good, notYet, againHours: DAY, meanwhile: deed })
  const quiet =
    'A quiet day or two is usual: the first bubbles were other guests, who leave once it turns sour. Stir, keep it warm, 24 to 26 °C, and wait another day.'
  const equal = fed(kept, flour)
  const twice = fed(Math.round(kept / 2), flour)
  const opening: ProgramStep[] =
    school === 'gather first'
      ? [
          step('Feed it, throw nothing away', 'Stir in as much flour and water as on the first day.', null, fed(null, flour)),
          step('Feed it, throw nothing away', 'Once more the same. It may smell odd, of hay or cheese: that passes.', null, fed(null, flour)),
          step(
            'The first discard',
            'From today on keep a part, throw the rest away and feed the same flour and water. What is left over this week is not for eating.',
            { good: 'Some bubbles, a sour smell.', notYet: quiet, againHours: DAY, meanwhile: null },
            equal
          )
        ]
      : [
          step('Stir only', 'Stir it well with a clean spoon. Nothing goes in or out today.', null, null),
          step(
            'The first feed',
            'Keep a part, throw the rest away, feed. What is left over this week is not for eating.',
            { good: 'A few bubbles, or a stir of smell.', notYet: quiet, againHours: DAY, meanwhile: null },
            equal
          ),
          step('Feed it', 'The same again.', null, equal)
        ]
  return {
    kind: 'new culture',
    title: school === 'gather first' ? 'A new culture, gathering first' : 'A new culture, kept small',
    says: 'Flour and water become a culture in a week or two. Warm, 24 to 26 °C; wholegrain or rye is quickest.',
    steps: [
      ...opening,
      step('Feed it', 'Keep, throw away, feed: the same every day.', again(equal, 'Bubbles through and through, a clean sour smell.', quiet), equal),
      step('Feed it', 'The same again.', null, equal),
      step(
        'Feed it double',
        'It rises now: give it twice the food.',
        again(equal, 'It rises by half or more between feeds.', 'Not by half yet: feed as before and look tomorrow.'),
        twice
      ),
      step('Feed it double', 'The same again, and note how high it stands at its top.', null, twice),
      step(
        'Does it double within eight hours?',
        'Feed it double and look eight hours later.',
        again(twice, 'Doubled within eight hours, twice in a row.', 'Not doubled yet: go on feeding once a day, warm. Another week is no failure.'),
        twice
      ),
      step('It is a culture', 'It has a name and a jar. Take a spare from it, and bake.', null, null)
    ]
  }
}
