import type { Pot } from '../../core'

export const COPY_WORD = {
  lastTryFailed: 'The last try failed. ',
  seeCopies: 'See copies'
} as const

export const NEXT_CARD = {
  whatItCanStillBe: 'What it can still be',
  kept: 'kept',
  seeFeed: 'See the feed',
  seeBuild: 'See the build',
  startWeighing: 'Start weighing',
  goOnWeighing: 'Go on weighing',
  noteThatMoved: 'Note that it moved',
  noteWhatYouSee: 'Note what you see',
  goToLevain: 'Go to the levain',
  overdue: 'Overdue',
  next: 'Next',
  until: (time: string) => ` · until ${time}`,
  goToStep: 'Go to the step',
  thanPlanned: (duration: string, word: string, time: string) => `${duration} ${word} than planned (${time})`,
  standsInColdTakeOut: (name: string) => `It stands in the cold (${name}): take it out now. The forecast allows for the cold.`,
  anotherTime: 'Another time',
  dough: 'The dough',
  wholeDay: 'The whole day',
  waterAt: (temperature: string) => `water at ${temperature}`,
  rest: 'the rest',
  flour: 'flour',
  water: 'water',
  expectedNow: 'expected now',
  readyToMix: 'ready to mix',
  risenInBulk: 'risen in bulk',
  pieces: 'pieces',
  outOven: 'out of the oven'
} as const

export const THEN_LIST = {
  overdue: ' overdue',
  fewer: 'Fewer',
  allTheseTwoDays: (length: number) => `All ${length} of these two days`,
  thenWord: 'Then'
} as const

export const TODAY = {
  todayCouldNotBeOpened: 'Today could not be opened',
  today: 'Today',
  nothingOnWay: 'Nothing is on its way',
  sayWhenYouWantBread: 'Say when you want bread, and Olvent works back from there: grams, ratio, and when to build the levain.',
  newBake: 'New bake'
} as const

export const PLANNED_MOVE = {
  done: 'Done',
  doneOf: (title: string) => `${title}: done`,
  doneAt: (time: string) => `Done at ${time}`,
  inAnHour: 'In an hour',
  stays: 'It stays where it is',
  isMoved: (name: string, place: string) => `${name} stands at ${place}.`,
  isPutOff: (name: string, time: string) => `Move ${name} at ${time}.`,
  itStays: (name: string) => `${name} stays where it is.`
} as const

export const JAR_CARE = {
  title: 'Jar care',
  now: 'Now',
  fedLikeThis: 'Fed as usual',
  fedLikeThisOf: (name: string) => `${name}: fed as usual`,
  otherwise: 'Otherwise',
  goTo: (name: string) => `Go to ${name}`,
  fed: (name: string) => `${name} is fed.`,
  cookDiscard: (pot: Pot) => (pot === 'gluten-free' ? 'Use the gluten-free discard' : 'Use the discard'),
  discardOld: (mass: string) => `${mass} of it are a week old or nearly so. Cook it, or throw it away.`,
  discardTooOld: (mass: string) => `${mass} of it are older than a week. Throw that away.`,
  thrownAway: 'Thrown away',
  discardThrown: (mass: string) => `${mass} were thrown away.`,
  seeRecipes: 'What to make of it',
  wasPlanned: (when: string) => `This was planned for ${when}. The forecast counts on that until you say otherwise.`,
  later: 'Later',
  laterOf: (name: string) => `${name}: feed it later`,
  inHours: (hours: number) => `In ${hours} hours`,
  tomorrow: 'Tomorrow',
  inDays: (days: number) => `In ${days} days`,
  skip: (when: string) => `Skip this feed, until ${when}`,
  canWait: (name: string, when: string) => `${name} can wait until ${when}.`
} as const
