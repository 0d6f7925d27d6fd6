export const BAKE_SHEET = {
  fixedPoured: 'Weighing has begun, so the amounts are fixed. To change them, undo what was poured under Weigh.',
  fixedMarked: 'The levain is on its way, so this is fixed. To change it, undo the mark and what was poured under Weigh.',
  fixedMixed: 'The dough is mixed, so this stays as it was.',
  goThere: 'Go there',
  thisBakeCouldNotBe: 'This bake could not be opened',
  allBakes: 'All bakes',
  notSavedYet: 'not saved yet',
  undoLastChange: 'Undo the last change',
  doChangeAgain: 'Do the change again',
  stations: 'Stations',
  thisBakeHasBeenTaken: 'This bake was removed. Undo brings it back.',
  whatYouTypedKeptHere: (refusal: string) => `${refusal} What you typed is kept here.`,
  nameBake: 'Name of the bake',
  hasBeenTakenAway: (name: string) => `${name} was removed.`,
  moreForThisBake: 'More for this bake',
  bakeThisAgainDayOn: 'Bake this again, a day on',
  bakeThisAgainWeekOn: 'Bake this again, a week on',
  whatWasChanged: 'What was changed',
  takeThisBakeAway: 'Remove this bake'
} as const

export const CONFLICT = {
  here: 'Here',
  there: 'There',
  allOtherChangesBothWindows: 'All other changes of both windows are kept.',
  toUseWhatHere: 'Use what is here',
  toUseWhatThere: 'Use what is there',
  anotherWindowChangedSame: 'Another window changed the same figures',
  percentages: 'Percentages of',
  backToJar: 'Back to the jar'
} as const

export const MIX_CARD = {
  keepApart: 'Keep it apart, as old levain, in',
  oldLevain: (date: string) => `Old levain of ${date}`,
  levain: 'Levain',
  levainInDough: 'Levain in the dough',
  backToJar: 'Back to the jar',
  was: 'The levain was',
  notLooked: 'not looked at',
  doughMeasured: 'The dough, measured',
  dough: 'The dough',
  wereMixed: (mass: string) => `${mass} were mixed`,
  forWord: (mass: string, alsoFor: string) => `, ${mass} of it for ${alsoFor}`,
  when: 'When',
  restSticks: '; the rest sticks.',
  thatMoreThanThere: (mass: string) => `That is ${mass} more than there is.`,
  nothingKeptBackMakeSure: 'Nothing goes back to the jar. Make sure that it still holds enough.',
  rawDoughAndRawFlour: 'Raw dough and raw flour are not eaten.',
  mixed: 'Mixed',
  weighDoughFirst: 'Weigh the dough first'
} as const

export const PLAN_RIBBON = {
  start: 'the start',
  ratio: 'the ratio',
  shareStarter: 'the share of starter',
  warmthPlace: 'the warmth of the place',
  water: 'the water',
  draggingChanges: (dayTime: string, answerWords: string) => `${dayTime}; dragging it changes ${answerWords}`,
  anotherPlace: 'another place',
  startBuild: 'Start of the build',
  ripeMoment: 'Ripe moment',
  intoOven: 'Into the oven',
  atMixedAt: (temperature: string, temperature2: string) => ` at ${temperature}, mixed at ${temperature2}`,
  whatTakes: 'What it takes',
  dragHillToChange: 'Drag the hill to change',
  whatChangesWhenYouDrag: 'What changes when you drag the hill',
  quarterHour: (name: string, word: string) => `${name} a quarter of an hour ${word}`,
  moveTo: (placeName: string) => `Move to ${placeName}`
} as const

export const WARNINGS = {
  jar: 'The jar',
  begins: (ratio: string, dayTime: string) => `${ratio} begins ${dayTime}`
} as const

export const STATION_FIGURE = {
  asItIs: (mass: string) => `as it is · ${mass}`,
  weighed: (dayTime: string) => `weighed ${dayTime}`,
  starterIn: 'starter weighed',
  otherPot: 'from another pot',
  built: (dayTime: string) => `built ${dayTime}`,
  noTimeYet: 'no time yet',
  lateSince: 'late since',
  levelMarked: 'level marked',
  poured: (length: number, length2: number) => `${length} of ${length2} poured`,
  notPlanned: 'not planned',
  bread: (dayTime: string) => `bread ${dayTime}`,
  mixed: (dayTime: string) => `mixed ${dayTime}`,
  nothingToSeeYet: 'nothing to see yet'
} as const

export const USE_PLAN_DRAFT = {
  anotherWindowChangedThisBake: 'Another window changed this bake as well. Both changes are kept.'
} as const

export const HAPPENED = {
  whatHappened: 'What happened',
  theJar: 'the jar',
  undo: 'Undo',
  undoOf: (words: string) => `Undo: ${words}`,
  takenBack: (words: string) => `Taken back: ${words}.`,
  goesWithIt: 'This goes with it',
  standsOn: (words: string) => `“${words}” cannot be taken back alone. These are taken back with it, looks and moves stay:`,
  undoAll: 'Take all of it back',
  cancel: 'Cancel',
  showAll: (count: number) => `Show all ${count}`
} as const
