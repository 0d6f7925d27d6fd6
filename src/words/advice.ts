import { millisecondsInHour } from 'date-fns/constants'
import type { AdviceNow, Headline } from '../answers'
import type { Contradiction, Format } from '../core'
import { near, PHASE_WORDS } from './phases'
import { WAYS_CARD } from './screens/watch'

/** The headline of an advice, with a shape, so that colour is never alone. */
export const HEADLINE_WORDS: Readonly<Record<Headline, { readonly word: string; readonly says: string; readonly shape: string }>> = {
  ...PHASE_WORDS,
  souring: { word: 'Getting sour', says: 'past its peak, and not yet as sour as you want it', shape: '◣' },
  'full sour': { word: 'Full sour', says: 'past its peak, as you want it', shape: '◣' },
  'should be ready': { word: 'Should be ready', says: 'by the forecast: nobody has looked in the last half hour', shape: '▲' },
  'may be past': { word: 'May be past its best', says: 'by the forecast: nobody has looked in the last half hour', shape: '◣' },
  'not sure': { word: 'Not sure', says: 'what was seen fits more than one stage', shape: '?' },
  'not rising': { word: 'Not rising', says: 'still at the mark, later than it should be', shape: '▁' },
  held: { word: 'Held in the cold', says: 'chilled while it was ready', shape: '▲' },
  'for taste': { word: 'Mix at its hour', says: 'ripe or not: yeast raises this dough', shape: '●' },
  'one level does not fit': { word: 'One level does not fit', says: 'typed right, stirred, or the band moved?', shape: '?' }
}

/**
 * The one sentence of advice.
 * @param startMs when the levain was mixed
 */
export function adviceSentence({ advice, lookMs, fitNow, probability }: AdviceNow, startMs: number, format: Format): string {
  const at = (hours: number) => format.dayTime(near(startMs + hours * millisecondsInHour))
  const look = lookMs === null ? '' : format.dayTime(near(lookMs))
  const chance = format.percent(fitNow, 0)
  const until = (hours: number) => (Number.isFinite(hours) ? ` It stays ready until about ${at(hours)}.` : '')
  switch (advice.kind) {
    case 'mix now':
      return `Mix now: ${chance} chance that it is ready.${until(advice.closesHours)}`
    case 'wait':
      return `Wait: ${Number.isFinite(advice.opensHours) ? `it should be ready from about ${at(advice.opensHours)}` : 'when it will be ready cannot be said yet'}. Look again at ${look}.`
    case 'look':
      return lookSentence(advice.why, chance, format.percent(advice.pastNow, 0)) + (advice.why === 'should be ready' ? until(advice.closesHours) : '')
    case 'ask':
      return contradictionSentence(advice.about, startMs, format)
    case 'held':
      return `It ${advice.seen ? 'was' : 'should have been'} ready when it went into the cold, and stays good there until about ${at(advice.untilHours)}. Its level sinks in the cold: that is no collapse. Mix it with warmer water.`
    case 'for taste':
      return 'Yeast raises this dough, so it does not wait for the levain: mix at the hour you planned. The levain gives it taste.'
    case 'past':
      return advice.how === 'collapsed' && (probability ?? 1) < SURE ? PROBABLY_COLLAPSED : PAST_WORDS[advice.how]
    case 'not rising':
      return `It is not rising${Number.isFinite(advice.lateHours) ? `: there was a 95 % chance that this jar would have begun by ${at(advice.lateHours)}` : ''}. See below what it may be, and look again at ${look}; without any rise by then, feed again from the jar.`
  }
}

/** How mixing at this moment is called among what can be done: "Mix now" only where that is the advice. */
export function mixTitle({ advice }: Pick<AdviceNow, 'advice'>): string {
  switch (advice.kind) {
    case 'mix now':
      return WAYS_CARD.mixNow
    case 'wait':
      return advice.fullSour === true ? WAYS_CARD.mixLessSour : WAYS_CARD.mixYoung
    case 'past':
      return WAYS_CARD.mixPast
    case 'held':
      return WAYS_CARD.mixFromCold
    default:
      return WAYS_CARD.ifMixedNow
  }
}

const PAST_WORDS = {
  'riper than wanted': 'It is riper than you like it and still strong: mix soon, and expect a slightly tangier loaf.',
  'past its best': 'It is past its best and still usable: mix soon, use a little more of it, and expect a tangier loaf.',
  collapsed: 'It has collapsed: keep some of it, feed it again, and mix with the next one.'
} as const
/** What is less likely than this is not told as a fact. */
const SURE = 0.6
const PROBABLY_COLLAPSED = 'It has probably collapsed: keep some of it, feed it again, and mix with the next one.'

function lookSentence(why: 'should be ready' | 'may be past' | 'not sure', ready: string, past: string): string {
  switch (why) {
    case 'should be ready':
      return `It should be ready: ${ready} chance. Look first: at the level, the top, and the glass above the level.`
    case 'may be past':
      return `It may be past its best: ${past} chance. Look first: a sunken top, or a film on the glass above the level, shows that it has fallen.`
    case 'not sure':
      return `Not sure: ${ready} chance that it is ready, ${past} chance that it is past. Look at the level, the top, and the glass above the level.`
  }
}

function contradictionSentence({ kind, last, earlier, expected }: Contradiction, startMs: number, format: Format): string {
  const rise = format.rise(last.rise)
  switch (kind) {
    case 'fell':
      return earlier === null
        ? `${rise} is much lower than it should be by now: about ${format.rise(expected)}. Did you type it right?`
        : `${rise} is much lower than the ${format.rise(earlier.rise)} you saw at ${format.time(startMs + earlier.hours * millisecondsInHour)}. Did you type it right?`
    case 'rose again':
      return `${rise} is higher than the ${format.rise(earlier?.rise ?? expected)} before it, when the levain was past its best. Did you type it right?`
    case 'leapt':
      return `${rise} is higher than it can be by now: at most about ${format.rise(expected)} was expected. Did you type it right?`
    case 'below the mark':
      return `${rise} is below the mark. Did you type it right?`
  }
}
