import type { Pot } from '../../core'

export const COLD_DAYS = {
  title: (name: string) => `Days to its peak at ${name}, after an hour out`,
  days: (days: string, seen: string) => `${days} days, ${seen}`,
  lookDayWhileStandsCold: 'Look at it once a day while it stands cold, and these become its own figures.',
  notSeenYet: 'not seen yet',
  seenAfterDays: (own: string) => `seen after ${own} days`
} as const

export const DATE_CARD = {
  title: 'Ripe for a date',
  intro: 'Say when you want it ripe. If you feed it now, this is how.',
  keep: 'Starter kept',
  none: 'No feed of now is ripe then: it is too soon, or too far off. Feed it later, or choose another time.',
  working: 'Working it out …',
  feed: (ratio: number, keep: string, flour: string, water: string) => `1:${ratio}. Keep ${keep}, add ${flour} of flour and ${water} of water.`,
  where: {
    warm: (place: string) => `It stays at ${place}.`,
    cold: (place: string, cold: string, at: string) => `Leave it at ${place} until ${at}, then move it to ${cold} and use it from there.`,
    out: (place: string, cold: string, at: string, out: string) => `Leave it at ${place} until ${at}, then move it to ${cold}; take it out again ${out}.`
  },
  chance: (percent: string, from: string, to: string) => `${percent} chance it’s ready then; at its best from ${from} to ${to}.`,
  chanceOnly: (percent: string) => `${percent} chance it’s ready then.`,
  fedLikeThis: 'Fed like this',
  fed: (name: string) => `${name} is fed.`,
  fedOf: (ratio: number, kind: string) => `Fed 1:${ratio}, ${kind}`
} as const

export const DISCARD_CARD = {
  discardPotCouldNotBe: (message: string) => `The discard pot could not be opened: ${message}`,
  emptyWhatNotKeptAt: 'Empty. What is not kept at a feed goes here: kept cold, used within a week, cooked.',
  discardPot: 'Discard pot',
  areOlderThanWeekThat: (mass: string) =>
    `${mass} of it is older than a week. Throw that away first; if any of it is pink, orange or fuzzy, throw all of it away.`,
  throwAway: (mass: string) => `Throw ${mass} away`,
  wereThrownAway: (mass: string) => `${mass} were thrown away.`,
  oldestWasToBeUsed: 'the oldest was to be used by',
  toUseOldestBy: 'use the oldest by',
  olderPortions: (length: number) => `${length} older portions`,
  since: (whenWords: string) => `since ${whenWords}`,
  potOf: (pot: Pot) => (pot === 'gluten-free' ? 'Gluten-free pot' : 'Pot with gluten'),
  levainOf: (bakeName: string) => `levain of ${bakeName}`,
  leftOver: 'left over',
  take: 'Take',
  whatTaken: 'What is taken',
  forWord: 'For',
  withDiscardFlourAndWater: (mass: string, mass2: string, method: string) => `With the discard ${mass} of flour and ${mass2} of water. ${method}`,
  rawFlourRawDoughAnd: 'Raw flour, raw dough and raw discard are not eaten.',
  made: 'Made it',
  wentIntoFood: (mass: string) => `${mass} went into food.`,
  thrownAway: 'Thrown away',
  used: (nameOf: string, mass: string, mass2: string) => `${nameOf} ${mass}, ${mass2} used`,
  thrownAwayIn: (nameOf: string) => `thrown away in ${nameOf}`,
  thrownAwayBefore: (told: string) => `Thrown away before: ${told}.`,
  inPot: 'in the pot',
  becameFood: 'became food'
} as const

export const EDIT_JAR_SHEET = {
  about: (name: string) => `About ${name}`,
  kept: (name: string) => `${name} is kept.`,
  nameWord: 'Name',
  culture: 'Culture',
  flourLivesOnForMost: 'Flour it lives on for the most part',
  feeds: 'its feeds',
  vessel: 'Vessel',
  notSaid: 'Not said',
  ml: (name: string, capacityMl: number) => `${name}, ${capacityMl} ml`,
  leastThatAlwaysStays: 'The least that always stays',
  keptFreeGlutenNoFlour: 'It is kept free of gluten: no flour with gluten can be chosen for it.',
  toChangeWhatLivesIn: 'To change what lives in it, from liquid to stiff or white to rye, take its program: it goes slowly. A gluten-free one is started anew.',
  save: 'Save'
} as const

export const END_JAR = {
  pinkOrangeOrFuzzy: (charAt: string) => `Pink, orange or fuzzy: ${charAt}`,
  thereNoSpareWithThis: (name: string) => `There is no spare of ${name}: with it this culture is gone.`,
  thereSameCultureInLook: (kin: string) => `There is the same culture in ${kin}. Look at that, too, before you trust it.`,
  plannedFromChooseAnotherJar: (planned: string, word: string) => `${planned} ${word} planned from it. Choose another jar there.`,
  greyOrDarkLiquidOnly: 'Grey or dark liquid is only hunger, and no reason to throw it away: feed it, and it comes back.',
  spoiledThrowAway: 'It is spoiled: throw it away',
  wasThrownAway: (name: string) => `${name} was thrown away.`,
  notWantedAnyMore: 'Not wanted any more',
  hasLeftKitchen: (name: string) => `${name} has left the kitchen.`,
  givenAway: 'Given away',
  wasGivenAway: (name: string) => `${name} was given away.`,
  removeJar: (name: string) => `${name}: remove the jar`
} as const

export const JAR_HISTORY = {
  whatHappenedToCouldNot: (name: string, message: string) => `What happened to ${name} could not be read: ${message}`,
  takenBack: ' (taken back)',
  undo: 'Undo',
  undoOf: (words: string) => `Undo: ${words}`,
  isTakenBack: (words: string) => `Taken back: ${words}.`,
  correct: 'Correct',
  correctedTo: (mass: string) => `corrected: it came with ${mass}`,
  showMore: 'Show more',
  whatHappened: 'What happened',
  fedKeptFlourWater: (ratioOf: string, mass: string, mass2: string, mass3: string, at: string) =>
    `fed ${ratioOf}: ${mass} kept, ${mass2} flour, ${mass3} water${at}`,
  takenFor: (mass: string, word: string) => `${mass} taken for ${word}`,
  bake: 'a bake',
  backIntoJarFrom: (mass: string, word: string) => `${mass} back into the jar from ${word}`,
  lookedAt: 'looked at',
  pH: (pH: number) => `, pH\u202f${pH}`,
  lookedAt2: (rise: string) => `looked at: ${rise}`,
  leftKitchenAndCameBack: 'left the kitchen, and came back',
  weighed: (mass: string) => `weighed: ${mass}`,
  toBeMoved: 'to be moved',
  putOff: (until: string) => `feed put off until ${until}`,
  wentIntoNewJar: (mass: string) => `${mass} went into a new jar`,
  to: (placeName: string) => ` to ${placeName}`,
  cameIntoKitchenWith: (mass: string) => `came into the kitchen with ${mass}`,
  pacePinnedOrBegunAnew: 'pace pinned or begun anew'
} as const

export const JAR_ROOM = {
  jarsCouldNotBeOpened: 'The jars could not be opened',
  thisJarNotHere: 'This jar is not here',
  hasBeenTakenAwayOr: 'It was removed, or the address has a slip in it.',
  jars: 'Jars',
  whatOlventKnowsAbout: (name: string) => `What Olvent knows about ${name}`,
  pace: 'Its pace',
  more: 'More',
  split: 'Split it',
  newJarFrom: 'New jar from it',
  programsOverSeveralDays: 'Programs over several days',
  label: 'Label',
  editNameCultureVessel: 'Edit name, culture, vessel',
  correctHowCame: 'Correct how it came',
  guessed: (what: string) => `A guess so far: ${what}. The forecasts are as good as that.`,
  putRight: 'Put it right',
  whatWasChanged: 'What was changed',
  mouldOrRemoveJar: 'Mould, or remove the jar',
  noteWhatYouSaw: 'Note what you saw',
  wakeSome: 'Wake some of it',
  feed: (name: string) => `Feed ${name}`,
  now: 'Now',
  goTo: 'Go to it',
  driedSleeps: 'Dried: it sleeps',
  darkDryAndClosedKeeps: 'Dark, dry and closed it keeps for a year or more. Three days wake it; half of it stays as the spare.',
  culture: (flour: string) => `of ${flour} culture`,
  how: 'How it is',
  atLeastAlwaysStay: (culture: string, word: string, mass: string) => `${culture}${word}. At least ${mass} always stay.`,
  inMlEmpty: (name: string, capacityMl: number, mass: string) => `, in the ${name}: ${capacityMl} ml, empty ${mass}`,
  thereNoSpareIfBreaks: 'There is no spare of it: if it breaks or spoils, this culture is gone. ',
  takeSpare: 'Take a spare',
  whereAndHowKept: 'Where and how it is kept',
  ripe: (rise: string) => `ripe, ${rise}`,
  about: (duration: string) => `about ${duration}`,
  ifNobodyFeeds: 'If nobody feeds it',
  aGuess: (words: string) => `${words}, a guess`,
  expectedNow: 'expected now',
  seenAt: (time: string) => `seen at ${time}`,
  untilHungry: 'until it is hungry'
} as const

export const JARS_ROOM = {
  jarsCouldNotBeOpened: 'The jars could not be opened',
  noJarYet: 'No jar yet',
  jarStarterWhereEveryBake: 'A jar of starter is where every bake begins.',
  newJar: 'New jar',
  noneToBeHad: 'No starter yet? ',
  startOneFromFlourAnd: 'Start one from flour and water.',
  haveNoSpareLittleEach: (alone: string) => `${alone} have no spare. A little of each, dried or in the cold, and nothing is lost when a jar breaks.`,
  jars: 'Jars',
  startOneFromFlour: 'Start one from flour',
  feedSeveral: 'Feed several'
} as const

export const LABEL_ROOM = {
  labelCouldNotBeMade: 'The label could not be made',
  thisJarNotHere: 'This jar is not here',
  hasBeenTakenAwayOr: 'It was removed, or the address has a slip in it.',
  jars: 'Jars',
  dried: (flour: string) => `dried, ${flour}`,
  lastFeed: 'Last feed',
  fedWith: 'Fed with',
  emptyJar: 'Empty jar',
  toWake: 'To wake',
  wakeWith: (flakes: string, water: string, flour: string) => `${flakes} in ${water} of water, ${flour} of flour, warm; feed after a day`,
  bestBefore: 'Best before',
  ofJar: 'A living sourdough starter, for its jar',
  ofPacket: 'Dried sourdough starter, for its packet',
  closesWell: (name: string) => `Keep the packet closed, dry and dark. Pink, orange or fuzzy: throw all of it away. · ${name}`,
  feedBy: 'Feed by',
  eachDay: 'each day, while it is young',
  notInDays: 'not in 60 days',
  holds: (allergens: string) => `Holds ${allergens}.`,
  print: 'Print',
  copied: 'Copied',
  copyAsText: 'Copy as text',
  backTo: (name: string) => `Back to ${name}`,
  lidLoosePinkOrangeOr: (name: string) => `Lid loose. Pink, orange or fuzzy: throw all of it away. · ${name}`,
  opens: (name: string) => `Opens ${name}`,
  label: (name: string) => `Label of ${name}`
} as const

export const LOOK_SHEET = {
  whatYouSee: (name: string) => `What you see: ${name}`,
  notedAndKnownBetter: (name: string) => `Noted, and ${name} is better known now.`,
  heightNowHeightAfterFeed: (rise: string) =>
    `Height now ÷ height after its feed. ${rise} is expected. In the cold a look a day is enough: days to the peak are learned from it.`,
  level: 'Level',
  expectedTypeWhatYouSee: 'expected; type what you see',
  asYouSaw: 'as you saw it',
  top: 'Its top',
  smearsAboveLevelHasBeen: 'Smears above the level: it has been higher',
  when: 'When',
  note: 'Note it'
} as const

export const SPLIT_SHEET = {
  newJarFrom: (name: string) => `A new jar from ${name}`,
  holdsAndKeepsAtLeast: (name: string, mass: string, mass2: string) =>
    `${name} holds ${mass} and keeps at least ${mass2}: nothing can be spared. Feed it first.`,
  giveJarName: 'Give the jar a name.',
  jarOwnNow: (name: string) => `${name} is a jar of its own now.`,
  canSpareAndKeepLeast: (name: string, mass: string) =>
    `${name} can spare ${mass} and keep its least. The new jar starts as ${name} is now; feed it before it goes into the cold.`,
  nameWord: 'Name',
  goesInto: 'Goes into it',
  whatGoesIntoNewJar: 'What goes into the new jar',
  whereStands: 'Where it stands',
  makeNewJar: 'Make the new jar'
} as const

export const STANDING = {
  standsAtNow: (name: string, name2: string) => `${name} stands at ${name2} now.`,
  andHaveSwappedPlaces: (name: string, name2: string) => `${name} and ${name2} have swapped places.`,
  whereStands: 'Where it stands',
  toGoToAtOlvent: (nameOf: string, dayTime: string) => `Move it to ${nameOf} ${dayTime}.`,
  wasToGoTo: (nameOf: string, dayTime: string) => `It was due to move to ${nameOf} ${dayTime}. The forecast counts on that until you say otherwise.`,
  sinceWhen: 'When you move it',
  swapPlacesWith: 'Swap places with',
  swapPlacesWithAnotherJar: 'Swap places with another jar',
  hungryInColdTakeOut: (name: string) => `${name} is hungry in the cold. Take it out and feed it.`,
  neverPutToBedHungry: 'Never put it to bed hungry: a small feed and an hour out before the cold, and it keeps.',
  smallFeed: 'A small feed'
} as const
