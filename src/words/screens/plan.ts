export const BEGIN_CARD = {
  begin: 'The work begins',
  setDoughAndLevainFirst: 'Set the dough and the levain first.',
  beginBuild: 'Begin the build',
  buildBegan: 'The build began'
} as const

export const DAY_LIST = {
  nothingMoreToDoThis: 'Nothing more to do: this bake is finished.',
  leftOut: 'left out',
  minWork: (minutes: number) => ` · ${minutes} min of work`,
  plannedFor: (time: string) => ` · planned for ${time}`,
  quarterHourEarlier: (stepWord: string) => `${stepWord} a quarter of an hour earlier`,
  quarterHourLater: (stepWord: string) => `${stepWord} a quarter of an hour later`,
  pin: (stepWord: string) => `Pin: ${stepWord}`,
  pinnedStaysWhenOthersAre: 'Pinned: it stays when others are moved',
  pinWhere: 'Pin it where it is',
  wholeDay: 'The whole day',
  print: 'Print it',
  is: (word: string, duration: string, word2: string) => `${word} is ${duration} ${word2}`,
  mix: 'the mix',
  bread: 'the bread',
  sinceWasPlanned: (moved: string) => `Since it was planned ${moved}.`
} as const

export const DOUGH_AFTER_CARD = {
  movedTo: (place: string, after: string) => `${place} after ${after}`,
  thirdHigher: 'a third higher',
  halfAsHighAgain: 'half as high again',
  threeQuartersHigher: 'three quarters higher',
  thatPlace: 'that place',
  risenInBulk: 'Risen in bulk',
  likely: 'likely',
  chance: '90 % chance',
  mixedAtWithStandingIn: (time: string, temperature: string, place: string) => `Mixed at ${time} with ${temperature}, standing in: ${place}.`,
  doughAfter: 'The dough after it'
} as const

export const DOUGH_DAY_CARD = {
  onlyLevainPlannedThisBake: 'Only the levain is planned: this bake ends with the mix.',
  planBulkProofAndBake: 'Plan bulk, proof and bake too',
  bulkShapeProofBake: 'Bulk, shape, proof, bake',
  rises: 'It rises',
  doughWhenMixed: 'Dough when mixed',
  dough: 'The dough',
  min: ' min',
  riseInBulk: 'Rise in bulk',
  fromItsProof: (growth: string) => `${growth}, from its proof`,
  growthInProof: 'Growth in the proof',
  inCold: 'In the cold',
  heatOven: 'Heat the oven',
  inOven: 'In the oven',
  proof: 'Proof',
  sameDayProof: 'Same-day proof',
  coldProof: 'Cold proof',
  planOnlyLevain: 'Plan only the levain'
} as const

export const OVEN_FIELDS = {
  title: 'The oven, step by step',
  step: (n: number) => `Step ${n}`,
  oven: (n: number) => `Oven, step ${n}`,
  minutes: 'Minutes',
  minutesOf: (n: number) => `Minutes, step ${n}`,
  coveredAt: (n: number) => `Lid or steam, step ${n}`,
  covered: 'lid or steam',
  remove: (n: number) => `Remove step ${n}`,
  coreFrom: 'In the middle from',
  coreTo: 'In the middle to',
  another: 'Another step',
  withCore: 'Measure the middle',
  withoutCore: 'Don’t measure the middle',
  asUsual: 'As usual for this dough'
} as const

export const DRIVERS_CARD = {
  hide: 'Hide',
  showHowWarmthRatioAnd: 'Show how warmth, ratio and cold change it',
  eachByItselfWithAll: 'Each by itself, with all else as it is.',
  whatChangesTiming: 'What changes the timing'
} as const

export const EXPECT_CARD = {
  moment: 'Moment',
  likely: 'likely',
  chance: '90 % chance',
  doubledAfterAbout: (duration: string) => `Doubled after about ${duration}.`,
  chanceReadyWhileYoureHome: (time: string) => ` chance it’s ready while you’re home around ${time}`,
  chanceReadyAt: (time: string) => ` chance it’s ready at ${time}`,
  whenMixed: 'When it is mixed: ',
  forTaste: 'Yeast raises this dough, so you can mix at your hour, ripe or not.',
  whatToExpect: 'What to expect',
  whatOlventKnowsAbout: (name: string) => `What Olvent knows about ${name}`
} as const

export const MOVES = {
  thenTo: 'Then to',
  andThenTo: 'And then to',
  after: 'After',
  hoursAfterMixing: 'The hours after mixing',
  levain: {
    takeMoveAway: (i: number) => `Remove move ${i}`,
    moveOnToAnotherPlace: 'Move it on to another place',
    moveTo: (i: number) => `Move ${i}: to`,
    moveHoursAfterMixing: (i: number) => `Move ${i}: hours after mixing`
  },
  dough: {
    takeMoveAway: (i: number) => `Remove move ${i} of the dough`,
    moveOnToAnotherPlace: 'Move the dough on in bulk',
    moveTo: (i: number) => `Move ${i} of the dough: to`,
    moveHoursAfterMixing: (i: number) => `Move ${i} of the dough: hours after the mix`
  }
} as const

export const PLAN_CARDS = {
  searchFailedTryAgain: 'The search failed. Try it again.',
  searching: 'Searching',
  chancesAllowForKitchenThat: (word: string, temperatureGap: string) =>
    `${word} The chances allow for a kitchen that is ${temperatureGap} warmer or colder than planned.`,
  noOtherScheduleReallyDifferent: 'No other schedule is really different.',
  differentSchedulesEasiestFirst: (length: number) => `${length} different schedules, the easiest first.`,
  compareTwoSchedules: 'Compare two schedules',
  schedules: 'Schedules',
  workFlourForLevain: (duration: string, mass: string) => `${duration} of work · ${mass} of flour for the levain`,
  workFlourForJar: (duration: string, mass: string) => `${duration} of work · ${mass} of flour for the jar`,
  toDiscardPot: (mass: string) => ` · ${mass} to the discard pot`,
  atThatHourLevainHardly: 'At that hour the levain is hardly ever ready. Choose another hour, place or ratio.',
  jarOutFirst: (jar: string, place: string, dayTime: string) => `First ${jar} comes out of the fridge, to ${place}: ${dayTime}.`,
  toUseThisSchedule: 'Use this schedule',
  compare: 'Compare',
  noLevainCanBeReady: (dayTime: string) =>
    `No levain can be ready in time. Choose a later time for the bread, or a warmer place for the levain. It is ${dayTime} now.`,
  smallestChangeThatWouldHelp: 'The smallest change that would help:',
  orThisChange: 'Or this change:',
  toUseAnywayBegin: (dayTime: string) => `Use it anyway: begin ${dayTime}`,
  earliest: (wish: string, dayTime: string) => {
    const can = wish === 'mix' || wish === 'habit' ? 'you can mix' : wish === 'eat' ? 'you can cut the bread by' : 'the bread can be out of the oven by'
    return `Keeping all your hours, ${can} ${dayTime} at the earliest.`
  },
  planFor: (dayTime: string) => `Plan for ${dayTime}`,
  withYeast: 'With a little yeast',
  howWithYeast: (yeast: string, share: string) =>
    `${yeast} of instant yeast (${share} of the flour) raise the dough, so it does not wait for the levain. The levain still gives it taste. Expect a milder, lighter loaf than with a ripe levain alone.`,
  toUseWithYeast: 'Use this, with yeast',
  yeastIntoRecipe: 'with yeast, now in the recipe',
  noScheduleFitsAllYour: 'No schedule fits all your hours',
  intoOven: 'Into the oven',
  outOven: 'Out of the oven',
  chanceReadyWhileYoureHome: 'Chance it’s ready while you’re home',
  flourForLevain: 'Flour for the levain',
  toDiscardPot2: 'To the discard pot',
  mix: 'mix',
  outOven2: 'out of the oven',
  chanceReadyWhileYoureHome2: 'chance it’s ready while you’re home',
  compare2: (title: string) => `Compare: ${title}`
} as const

export const PLAN_STATION = {
  taken: (planTitle: string) => `Taken: ${planTitle}.`,
  fedAgain:
    'This levain is fed from the one that is there, so no schedule begins with the jar. Want another feed? On Weigh, tap “Don’t feed it again after all”, then choose on Watch.',
  setDoughAndLevainFirst: 'Set the dough and the levain first.',
  readyToMix: 'Ready to mix',
  compareWithOtherBuilds: 'Compare with other builds',
  goToWeigh: 'Go to Weigh'
} as const

export const STAND_CARD = {
  howRipeYouLike: 'How ripe you like it',
  place: 'Place',
  howWarmThere: 'How warm it is there',
  place2: 'The place',
  halfDegreeCooler: 'Half a degree cooler',
  halfDegreeWarmer: 'Half a degree warmer',
  noYeast: 'There is no yeast in this recipe. With a levain that is not ripe, the dough rises slowly.',
  levain: 'The levain'
} as const

export const WISH_CARD = {
  outOvenBy: 'Out of the oven by',
  cooledToCutBy: 'Cooled, to cut by',
  doughMixedAt: 'Dough mixed at',
  readyOnlyAt: (dayTime: string) => `As it is planned now, it is ready only ${dayTime}. Find schedules shows other ways.`,
  asSoonAsCanBe: 'As soon as it can be',
  theSameDay: 'The same day, for supper',
  twoDaysAhead: 'Two days ahead, for lunch',
  howLevainGoes: 'How the levain goes',
  anyWay: 'any way that works',
  outThenFridge: 'a few hours out, then the fridge',
  jarOutInMorning: (jar: string) => `${jar} out of the fridge in the morning`,
  buildInEveningMixIn: 'Build in the evening, mix in the morning',
  buildInMorningMixIn: 'Build in the morning, mix in the evening',
  whatShouldBeReady: 'What should be ready',
  buildAt: 'Build at',
  hourBuild: 'Hour of the build',
  minuteBuild: 'Minute of the build',
  mixAt: 'Mix at',
  hourMix: 'Hour of the mix',
  minuteMix: 'Minute of the mix',
  withinNextThreeDaysAs: 'Within the next three days, as your hours allow.',
  findSchedules: 'Find schedules',
  whenDoYouWantBread: 'When do you want bread?',
  howColdByNight: (name: string) => `How cold by night? ${name}`,
  roomAtNight: 'The room at night',
  justAsWarm: 'Just as warm',
  keep: 'Keep'
} as const
