import type { BlendPart } from '../../dough/ingredient'
import { feedDeed, type Program, type ProgramStep, type Sign } from './program'

/** One step of a program as its baker says it: a feed, or a look where nothing goes in. */
export interface OwnStep {
  /** Hours after the step before it. */
  readonly afterHours: number
  /** What is kept, g; null: all of it. */
  readonly keepGrams: number | null
  /** 0: nothing goes in, it is only looked at and stirred. */
  readonly flourGrams: number
  readonly waterGrams: number
  /** How warm the mix is, °C; null: as its place. */
  readonly mixTempC: number | null
}

/** A step that is begun from. */
export const OWN_STEP: OwnStep = { afterHours: 24, keepGrams: null, flourGrams: 60, waterGrams: 60, mixTempC: null }

function stepOf({ afterHours, keepGrams, flourGrams, waterGrams, mixTempC }: OwnStep, feed: readonly BlendPart[]): ProgramStep {
  if (flourGrams <= 0 || waterGrams <= 0) return { title: 'Look and stir', afterHours, what: 'Nothing goes in.', sign: null, deed: null }
  const deed = { ...feedDeed(keepGrams, feed, flourGrams, waterGrams), ...(mixTempC === null ? {} : { mixTempC }) }
  const what = mixTempC === null ? 'Stir it smooth, the lid loose.' : `Stir it smooth, so that it is at ${mixTempC} °C; the lid loose.`
  return { title: 'Feed it', afterHours, what, sign: null, deed }
}

/** Feeds by days and amounts of the baker's own. */
export function ownFeeds(name: string, steps: readonly OwnStep[], feed: readonly BlendPart[]): Program {
  return { kind: 'own', title: `${name}, by your own steps`, says: 'Your own days and amounts.', steps: steps.map((step) => stepOf(step, feed)) }
}

const RISES: Sign = {
  good: 'Doubled within eight hours of its feed.',
  notYet: 'Not doubled yet: feed it once a day as before. Another week is no failure.',
  againHours: 24,
  meanwhile: null
}

/** A new culture by days and amounts of the baker's own, from the day after it was mixed; at the end it has to double. */
export function ownCulture(steps: readonly OwnStep[], feed: readonly BlendPart[]): Program {
  const last = steps.at(-1)
  const again = last === undefined ? null : stepOf(last, feed).deed
  return {
    kind: 'new culture',
    title: 'A new culture, by your own steps',
    says: 'Flour and water become a culture in a week or two. Warm, 24 to 26 °C; wholegrain or rye is quickest.',
    steps: [
      ...steps.map((step) => stepOf(step, feed)),
      {
        title: 'Does it double within eight hours?',
        afterHours: 24,
        what: 'Look at it eight hours after a feed.',
        sign: { ...RISES, meanwhile: again },
        deed: null
      },
      { title: 'It is a culture', afterHours: 1, what: 'It has a name and a jar. Take a spare from it, and bake.', sign: null, deed: null }
    ]
  }
}
