export const LEVAIN_LABEL = {
  levainFrom: (name: string, word: string) => `${name}: levain from ${word}`,
  jar: 'the jar',
  at: (dayTime: string, ratioOf: string, temperature: string) => `${dayTime}, ${ratioOf}, at ${temperature}`,
  markedAtMm: (levelMm: number) => `marked at ${levelMm} mm`,
  emptyJar: (mass: string) => `empty jar ${mass}`,
  readyFromAbout: (due: string) => `ready from about ${due}`,
  printLabel: 'Print the label',
  copied: 'Copied',
  copyLabel: 'Copy the label'
} as const

export const POURED = {
  toCome: 'to come',
  planned: (mass: string) => `planned ${mass}`,
  undoPour: (title: string) => `Undo the pour of ${title}`,
  asStandsReadyToMix: 'As it stands, ready to mix from about ',
  plannedFor: (dayTime: string) => `; planned for ${dayTime}.`,
  really: 'really',
  hydration: 'hydration',
  inAll: 'in all'
} as const

export const SET_BAND = {
  markLevel: 'Mark the level',
  stirWellScrapeSidesDown: 'Stir well, scrape the sides down, level the top, and mark the level with a rubber band. Lid on loosely.',
  mm: (mm: number) => `${mm} mm`,
  levelInJar: 'Level in the jar',
  levelByEyeOrRuler: 'Level, by eye or ruler',
  level: 'The level',
  workedOutAsMmAnd: (name: string, bandMm: number, peakMm: number) => `${name}: worked out as ${bandMm} mm, and ${peakMm} mm at the peak.`,
  temperatureMix: 'Temperature of the mix',
  mix: 'The mix',
  workedOutFromWhatWent: (temperature: string) => `Worked out from what went in: ${temperature}. Measuring is better.`,
  when: 'When',
  neverSealFermentingJarTight: 'Never seal a fermenting jar tight: glass can burst.',
  levelMarked: 'The level is marked'
} as const

export const JAR_FEED = {
  fed: (name: string) => `${name} is fed.`,
  leaveInJarRestGoes: (mass: string) => `Leave ${mass} in the jar; the rest goes to the discard pot. Jar on the scale, then what is asked for.`,
  neverSealFermentingJarTight: 'Never seal a fermenting jar tight: glass can burst.',
  feed: (name: string) => `Feed ${name}`,
  refill: (name: string) => `Refill ${name}`,
  ontoWhatIsLeft: (mass: string) => `Jar on the scale with the ${mass} that are in it, then what is asked for.`,
  outFor: (duration: string) => `Then it stays out for ${duration} and goes back to the cold; Today tells you when.`
} as const

export const WEIGH_STATION = {
  undoLastPour: 'Undo the last pour',
  undoWayOn: 'Undo the correction',
  undoTemperature: 'Undo the temperature',
  undoStarter: 'Back to the starter',
  undoFedAgain: 'Don’t feed it again after all',
  nothingToWeighYet: 'Nothing to weigh yet',
  setDoughAndLevainFirst: 'Set the dough and the levain first.',
  goToRecipe: 'Go to Recipe',
  jar: 'the jar',
  samePour: 'It is the same pour',
  mineWentInBesides: 'Mine went in as well',
  bowlsMixedIn: 'Bowls it is mixed in',
  allInOne: 'all in one',
  bowlsOneAfterOther: (i: number) => `${i} bowls, one after the other`,
  sharedOut: 'Shared out',
  eachItemNotedAsYou: 'Each item is noted as you pour it, and what the scale shows counts, not the plan.',
  sharedOutSoFar: 'Shared out so far',
  inBowlSoFar: 'In the bowl so far'
} as const

export const WORK = {
  atNeverAbove: (temperature: string, temperature2: string) => `At ${temperature}, never above ${temperature2}. `,
  asWarmAsAtMost: (temperature: string) => `As warm as ${temperature} at the most. `,
  holdsSoCannotHaveCome: (name: string, mass: string, mass2: string) =>
    `${name} holds ${mass}, so ${mass2} cannot have come out of it. Look at the figure again; if the jar held more, weigh the jar under Levain first.`,
  levelMarked: 'The level is marked.',
  stirWellCoverLooselyAnd: 'Stir it well, cover it loosely, and let it stand until it is ripe: then it goes into the levain.',
  neverSealFermentingJarTight: 'Never seal a fermenting jar tight: glass can burst.',
  standsNow: 'It stands now',
  firstBuildStands: 'The first build stands.',
  firstBuildIn: 'The first build is in',
  restUnweighed: 'The rest is not weighed here',
  allInMixed: 'All in: mixed',
  mixed: (name: string) => `${name} is mixed.`,
  shapeThemAndPutThem: 'Shape them, then let them proof.',
  stirCoverLooselyAndLet: 'Stir it, cover it loosely, and let it ferment until the mix.',
  goToBread: 'Go to Bread',
  allPiecesAreWeighed: 'All pieces are weighed',
  weighed: (name: string) => `${name} is weighed`,
  measuredTemperaturesMixComesOut: (temperature: string) => `Measured temperatures: the mix comes out at ${temperature}`,
  flour: 'Flour',
  flour2: 'The flour',
  starterOrLevain: 'Starter or levain',
  it: 'It',
  waterAsPoured: 'Water, as poured',
  water: 'The water',
  watch: 'Watch it',
  undoMark: 'Undo the mark',
  levainWeighedIn: 'The levain is weighed in',
  inAll: 'in all',
  starterInBowl: (name: string) => `${name} is in the bowl`,
  goOnWithDough: 'Weigh the rest of the dough into the same bowl, or stir the starter into the dough’s water first.',
  toDough: 'Go on to the dough'
} as const

export const ENTRIES = {
  intoBowl: 'Into the bowl.',
  someOfIt: 'Bowl or jar on the scale, then this much of it.',
  starterFrom: (jarName: string) => `Starter from ${jarName}`,
  flour: 'Flour',
  bowl: (bowl: number, bowls: number) => ` Bowl ${bowl} of ${bowls}.`,
  piece: (i: number, length: number) => `Piece ${i} of ${length}`,
  pieceDoughOntoScaleCut: 'A piece of dough onto the scale; cut off or add until it is right.'
} as const

export const JOBS = {
  whatWeighed: 'What is weighed',
  levain: 'Levain',
  starter: 'Starter',
  refill: (name: string) => `Refill ${name}`,
  dough: 'Dough',
  pieces: 'Pieces'
} as const
