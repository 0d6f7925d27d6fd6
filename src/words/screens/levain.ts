export const FIT_CARD = {
  addYourJarsAndBowls: 'Add your jars and bowls in ',
  kitchen: 'Kitchen',
  toSeeWhereToPut: ' to see where to put the rubber band, and whether the peak stays below the rim.',
  whichVessel: 'Which vessel',
  vessel: 'Vessel',
  notSaid: 'Not said',
  mlEmpty: (name: string, capacityMl: number, mass: string) => `${name}, ${capacityMl} ml, empty ${mass}`,
  mm: (bandMm: number) => `${bandMm} mm`,
  mm2: (peakMm: number) => `${peakMm} mm`,
  band: 'the band',
  expectedPeak: 'expected peak',
  height: 'of its height'
} as const

export const LADDER_CARD = {
  hasNothingToSpareWithout: (word: string, mass: string) => `${word} has nothing to spare: at least ${mass} always stay in it. Feed it first to make more.`,
  jar: 'The jar',
  growStarterFirst: 'Grow the starter first',
  canSpareAndAreNeeded: (word: string, mass: string, mass2: string, word2: string) =>
    `${word} can spare ${mass}, and ${mass2} are needed: ${word2} before the build.`,
  oneStage: 'one stage',
  stages: (length: number) => `${length} stages`,
  begin: 'Begin',
  seed: 'starter',
  flour: 'flour',
  water: 'water',
  makes: 'makes',
  whichHasPassed: ', which has passed',
  inNight: ', in the night',
  eachStageUsedAtPeak: (dayTime: string) => `Each stage is used at its peak. The last build then begins ${dayTime}.`,
  orFeedAsFlourAnd: (name: string, mass: string, mass2: string) =>
    `Or feed ${name} as it is: ${mass} of flour and ${mass2} of water, and nothing out, let it spare enough starter.`,
  feedLikeThis: (name: string) => `Feed ${name} like this`
} as const

export const LEVAIN_STATION = {
  whatWentIn: 'What went into the dough',
  loosenStarterInWaterFirst: 'Loosen the starter in the water first, then the flour.',
  flourIntoStarterFirstThen: 'Flour into the starter first, then the water.',
  waterInPortionsInTurn: 'The water in portions, in turn with the flour.',
  jar: 'Jar',
  feed: (name: string) => `Feed ${name}`,
  newJar: 'A new jar',
  howYouUseStarter: 'How you use the starter',
  whichStarter: 'Which starter',
  noRatioYet: 'no ratio yet',
  ratioStarterToFlourTo: 'Ratio of starter to flour to water',
  howMuchStarter: 'How much starter',
  levain: 'the levain',
  whatMade: 'What it is made of',
  setDoughFirst: 'Set the dough first.',
  inAll: (mass: string) => `${mass} in all.`,
  weighForLevain: 'Weigh for the levain',
  weighIntoDough: 'Weigh straight into the dough',
  whatWentIntoLevain: 'What went into the levain',
  notEnough: 'not enough',
  discardKeptColdUsedWithin: 'Discard is kept cold, used within a week, and cooked. Raw flour and raw discard are not eaten.',
  notRipeYet: 'is not ripe yet, so the levain takes longer',
  byTimeBuild: (name: string, needOf: string) => `By the time of the build ${name} ${needOf}.`,
  whatStaysIn: (name: string) => `What stays in ${name}`,
  goToPlan: 'Go to Plan',
  forDough: (mass: string) => `${mass} for the dough`,
  forWord: (mass: string, name: string) => `${mass} for ${name}`,
  toSaveForJar: 'to save for the jar',
  backToJar: 'back to the jar',
  stuckToJarAndSpoon: (mass: string) => `${mass} stuck to jar and spoon`,
  inJarNow: 'in the jar now',
  onceRefilled: 'once it is refilled',
  onceStarterOut: 'once the starter is out',
  whenYouHaveMixed: 'when you have mixed',
  toDiscardPot: 'to the discard pot'
} as const

export const REFILL_FIELDS = {
  refill: (name: string) => `Refill ${name} at the same moment`,
  flour: 'Flour',
  water: 'Water',
  theRefill: 'the refill',
  out: 'Out of the cold for',
  notAtAll: 'not at all',
  hours: (hours: number) => `${hours} h`
} as const

export const AS_IT_IS = {
  title: (name: string) => `${name}, used as it is`,
  atItsBest: 'at its best',
  notKnown: 'not known',
  working: '…',
  asSeen: 'by what you saw: more at Watch',
  chanceThen: (dayTime: string) => `chance it’s ready ${dayTime}`,
  chanceAt: (dayTime: string) => `chance it’s ready while you’re home around ${dayTime}`,
  sinceFeed: (name: string, dayTime: string, duration: string) => `${name} was last fed ${dayTime}. When you mix, that is ${duration} ago.`,
  afterFeed: (name: string, dayTime: string, kept: string, flour: string, water: string) =>
    `Feed ${name} ${dayTime}: leave ${kept} in the jar, then add ${flour} of flour and ${water} of water.`,
  restToDiscard: (mass: string) => ` The other ${mass} go to the discard pot.`,
  notReadyYet: (name: string) => `When you mix, ${name} is not ready yet, so the dough rises more slowly.`,
  pastItsBest: (name: string) => `When you mix, ${name} is past its best, so the dough rises more slowly and gets more sour.`,
  mixWhenReady: (dayTime: string) => `Mix when it is ready, ${dayTime}`,
  planFeed: 'Plan a feed for this mix',
  planFeedAgain: 'Work the feed out again',
  noFeed: 'Without the feed',
  lookAt: (name: string) => `Go to ${name}`,
  noFeedFits: (name: string) => `No feed from now on makes ${name} ready by then while you’re awake. Choose a later mix.`,
  guessed: (name: string) => `Part of what is known of ${name} is a guess, so these hours are less sure.`
} as const

export const SEED_MEASURE_FIELD = {
  flour: '% of flour',
  howToGiveAmountStarter: 'How to give the amount of starter',
  lessFlourFaster: 'Less flour: faster',
  partsFlourToOneStarter: 'Parts of flour to one of starter',
  moreFlourSlower: 'More flour: slower',
  lessFlourRipensSoonerMore: 'Less flour ripens sooner, more flour later.',
  starterAsFlour: 'Starter as % of the flour',
  starterYouHave: 'Starter you have',
  howMany: 'How many',
  of: 'Of',
  stirredDownNotRisen: 'Stirred down, not risen',
  thatToStarterSoRipening: (massFigure: string, mass: string) =>
    `That is ${massFigure} to ${mass} of starter, so the forecast is less sure until you weigh it.`,
  orTyped: 'Or typed',
  ratioLooksLike: 'A ratio looks like 1:4:4.',
  ratio: 'ratio',
  grams: 'grams',
  spoonsWord: 'spoons',
  amounts: 'all three',
  amountOf: { seed: 'Starter', flour: 'Flour', water: 'Water' },
  inAllStays: (mass: string) => `${mass} in all. They stay exactly so; what the dough does not take goes back to the jar.`
} as const

export const TEXTURE_FIELDS = {
  oldLevainFrom: 'Old levain from',
  discardPot: 'the discard pot, or elsewhere',
  wetRye: 'wet rye',
  texture: 'Texture',
  hydration: 'Hydration',
  staysInJar: 'Stays in the jar',
  backToJar: 'Back to the jar',
  sticks: 'Stuck to jar and spoon',
  whatSticks: 'What sticks',
  saltIn: 'Salt in it',
  oilIn: 'Oil in it',
  oldLevainBesidesStarter: 'Old levain besides the starter',
  hydration2: 'Its hydration',
  alsoFor: 'Also for',
  otherDough: (i: number) => `Other dough ${i}`,
  nameNeeded: 'A name is needed.',
  levainFor: 'Levain for it',
  levain: 'The levain',
  takeOtherDoughAway: (i: number) => `Remove other dough ${i}`,
  anotherDoughTakes: 'Another dough takes of it',
  anotherDough: 'another dough',
  levainForOtherDough: (i: number) => `Levain for other dough ${i}`,
  stiff: 'stiff',
  thick: 'thick',
  liquid: 'liquid'
} as const

export const WATER_CARD = {
  freshMixWantedAt: 'Fresh mix wanted at',
  orWaterHas: 'Or with water of',
  theWater: 'The water',
  notSaid: 'cannot be',
  mix: 'The mix',
  fromTap: (temperature: string) => `from the tap, ${temperature}`,
  stirAndMeasureBeforeMeets: (temperature: string) => `Stir and measure it before it meets the starter: never above ${temperature}.`,
  waterWouldHaveToBe: 'The water would have to be colder than ice. Cool the flour, or take the starter from the fridge.',
  flourStandsAtStarterWill: (temperature: string, temperature2: string) => `The flour stands at ${temperature}, the starter will be at ${temperature2}.`,
  waterFor: 'Water for it',
  water: 'water',
  fromKettle: 'from the kettle',
  iceFromFreezer: 'of ice from the freezer'
} as const

/** One pot of levain for several doughs. */
export const ONE_POT = {
  offer: 'One pot for both',
  couldTake: (name: string, from: string, to: string) =>
    `The levain of ${name} is built from the same jar and ready to mix ${from} – ${to}, and this dough is mixed in that time. Build it once, for both.`,
  take: 'Build both in one pot',
  title: (name: string) => `Its levain comes out of the pot of ${name}`,
  share: 'for this dough',
  fit: 'ready to mix',
  how: (name: string) =>
    `Nothing is built or fed for this dough. When ${name} is mixed, its share stands ready as starter, and you weigh it into this dough as it is.`,
  gone: 'Its levain was to come out of the pot of a bake that is not on the table any more.',
  open: (name: string) => `Go to ${name}`,
  onItsOwn: 'Build it on its own after all',
  tooEarly: (name: string) => `This dough is mixed before ${name}. Mix it later, or build its levain on its own.`,
  tooLate: 'By then that levain is past its best. Mix this dough sooner, or build its levain on its own.',
  noSchedules: 'The levain of this dough is planned with another one. Look for schedules there, or build this one on its own.'
} as const
