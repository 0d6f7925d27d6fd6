export const FEED_SEVERAL = {
  feedSeveral: 'Feed several',
  fed: (length: number, word: string) => `${length} ${word} fed.`,
  jar: 'jar is',
  jarsAre: 'jars are',
  eachAsWasFedLast: 'Each as it was fed last, where it stands. For anything else open the jar.',
  feedAlone: (name: string) => `${name}: feed it alone`,
  keepWater: (name: string, ratioOf: string, mass: string, flour: string, mass2: string) => `${name} ${ratioOf}: keep ${mass}, ${flour}, ${mass2} water`,
  fedThisOne: 'Fed this one',
  fedThese: (length: number) => `Fed these ${length}`
} as const

export const FEED_SHEET = {
  beforeFeed: 'Measured before the feed',
  feed: (name: string) => `Feed ${name}`,
  fed: (name: string) => `${name} is fed.`,
  stayInJarJarOn: (mass: string) => `${mass} stay in the jar. Put the jar on the scale and set it to zero.`,
  backToFeed: 'Back to the feed',
  atFed: (mass: string, percent: string, dayTime: string, headline: string, use: string) => `${mass} at ${percent}, fed ${dayTime}. ${headline}: ${use}. `,
  moreAbout: (name: string) => `More about ${name}`,
  fedBy: 'Fed by',
  by: (way: string) => `By ${way}`,
  cutAwayCrustSlime: 'Cut away: crust, slime',
  whatCutAway: 'What is cut away',
  feed2: 'the feed',
  whatKeptTooWetFor: (leastRatio: string) => `What is kept is too wet for that. It works from ${leastRatio} of flour to one kept.`,
  howMuchCupThisFlour: 'Olvent does not know how much a cup of this flour weighs. Weigh it, or give its density on the Shelf.',
  waterAboveHarmsCultureStir: (temperature: string) => `Water above ${temperature} harms the culture. Stir, measure, let it cool.`,
  keptFreeGlutenAndWould: (name: string, gluten: string) => `${name} is kept free of gluten, and ${gluten} would bring it in. Take a gluten-free flour.`,
  onlyAreLeftToKeep: (mass: string, word: string) => `Only ${mass} are left to keep${word}.`,
  onceAreOut: (mass: string) => ` once ${mass} are out`,
  thatMuchOldStarterFor: 'That is much old starter for little food: it gets sluggish, flat and sour. Keep less, or give it more flour.',
  goesToDiscardPotKept: (mass: string) => `${mass} goes to the discard pot: kept cold, used within a week, cooked.`,
  nothingDiscarded: 'Nothing is discarded.',
  crustThrownAway: (mass: string) => ` ${mass} of crust is thrown away.`,
  whereStands: 'Where it stands',
  waterAt: 'Water at',
  mixComesOutAt: (temperature: string) => `the mix comes out at ${temperature}`,
  water: 'The water',
  thenGoesTo: 'Then it goes to',
  staysThere: 'stays there',
  after: 'After',
  risenByTwoThirds: (word: string) => `risen by two thirds${word}`,
  hardlyRises: 'With so little flour for what is kept it hardly rises by two thirds. It goes there after two hours.',
  about: (duration: string) => `, about ${duration}`,
  ballLiesInWater: 'The ball lies in water',
  straightIntoColdHasEaten: (word: string) => `${word}Straight into the cold it has eaten little and made little. Many let it start to work first. `,
  neverPutToBedHungry: 'Never put it to bed hungry. ',
  hourOutFirst: 'An hour out first',
  lidOnLooselySealedJar: 'Lid on loosely: a sealed jar can burst. Pink, orange or fuzzy: throw all of it away.',
  weighIn: 'Weigh it in',
  fedLikeThis: 'Fed like this',
  keep: 'Keep',
  when: 'When',
  whatKept: 'What is kept',
  flourToOneKept: 'Flour to one kept',
  ratio: 'The ratio',
  hydrationThen: 'Hydration then',
  flour: 'Flour',
  water2: 'Water',
  keepTablespoons: 'Keep, tablespoons',
  spoons: 'Spoons',
  flourCups: 'Flour, cups',
  cupsFlour: 'Cups of flour',
  waterCups: 'Water, cups',
  cupsWater: 'Cups of water',
  thenInJar: (percent: string) => `then in the jar, ${percent}`,
  toKeptToFlourCups: (massFigure: string, mass: string, massFigure2: string, mass2: string, least: string, most: string) =>
    `${massFigure} to ${mass} kept, ${massFigure2} to ${mass2} of flour: by cups the ratio can be anything from 1:${least} to 1:${most}. Stir the starter down before you spoon it.`,
  notInDays: 'not in 60 days',
  ripe: (rise: string) => `ripe, ${rise}`,
  flour2: 'flour',
  water3: 'water',
  keptFlourWater: 'kept : flour : water',
  feedAgainBy: 'feed it again by'
} as const

export const IN_VESSEL = {
  addYourVesselsIn: 'Add your vessels in ',
  kitchen: 'Kitchen',
  toSeeWhetherPeakStays: ' to see whether the peak stays below the rim.',
  whichVessel: 'Which vessel',
  notSaid: 'Not said',
  ml: (name: string, capacityMl: number) => `${name}, ${capacityMl} ml`,
  bandAtMmPeakAt: (bandMm: number, peakMm: number, heightMm: number, percent: string) =>
    `Band at ${bandMm} mm, peak at about ${peakMm} of ${heightMm} mm: ${percent} of its height.`,
  tooSmallWouldFoamOver: (word: string) => `Too small: it would foam over the rim. ${word}`,
  feedLessAtMostIn: (mass: string) => `Feed less: at most ${mass} in all.`,
  takeOrFeedLess: (name: string) => `Take ${name}, or feed less.`
} as const

export const NEW_JAR_SHEET = {
  newJar: 'A new jar',
  hasComeIntoKitchen: (name: string) => `${name} has come into the kitchen.`,
  whereStands: 'Where it stands',
  dried: 'It is dried',
  vessel: 'Vessel',
  notSaid: 'not said',
  ml: (name: string, capacityMl: number) => `${name}, ${capacityMl} ml`,
  leftOutIsGuess:
    'What you leave out is a guess until you know it, and is shown as one. Where nothing is said of its feed, Olvent assumes 1 part of starter to 2 of flour.',
  addJar: 'Add the jar'
} as const

export const TAKE_OUT = {
  sSpare: (name: string) => `${name}’s spare`,
  takeOutFirst: 'Take out first',
  intoNewJar: 'into a new jar',
  starterFor: (name: string, dayTime: string) => `starter for ${name}, ${dayTime}`,
  goesOut: 'Goes out',
  nameNewJar: 'Name of the new jar',
  nothing: 'nothing'
} as const

export const WAKE_UP = {
  nowRipeAbout: (flourPerSeed: number, whenWords: string) => `1:${flourPerSeed} now, ripe about ${whenWords}`,
  onRipeAbout: (flourPerSeed: number, whenWords: string, whenWords2: string) => `1:${flourPerSeed} on ${whenWords}, ripe about ${whenWords2}`,
  beforeNextBakeAt: (name: string, temperature: string, words: string) => `Before the next bake, at ${name} (${temperature}): ${words}.`,
  goOnOnceDayUntil: ' Go on once a day until it doubles within eight hours.'
} as const

export const WEIGH_FEED = {
  intoJarOntoWhatKept: 'Into the jar, onto what is kept.'
} as const

export const WEIGH_JAR = {
  nowHolds: (name: string, mass: string) => `${name} now holds ${mass}.`,
  correctAmountWeighWhatIn: 'Correct the amount: weigh what is in it',
  correctAmountWeighJarAnd: 'Correct the amount: weigh it, jar and all',
  areInLess: (mass: string, mass2: string, name: string) => `${mass} are in it: less ${mass2} of ${name}`,
  whatScaleShows: 'What the scale shows',
  correct: 'Correct'
} as const
