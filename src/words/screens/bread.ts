export const BREAD_STATION = {
  moved: 'Moved.',
  noDoughYet: 'No dough yet',
  onceDoughMixedFoldsProof: 'Once the dough is mixed, you find its folds, its proof and the oven here.',
  goToWeigh: 'Go to Weigh',
  goToWatch: 'Go to Watch',
  bulkProofAndBakeAre: 'Bulk, proof and bake are not planned',
  thisBakeEndsWithMix: 'This bake ends with the mix. Next time, plan bulk, shape and bake under Plan.',
  notedForRecord: 'Noted for the record.',
  min: (minutes: number) => `${minutes} min`,
  thenWord: 'Then',
  pH: (pH: number) => `pH\u202f${pH}`,
  sample: (rise: string) => `sample ${rise}`,
  middle: (temperature: string) => `middle ${temperature}`,
  readSoFar: 'Read so far'
} as const

export const DOUGH_READ_CARD = {
  notProofedEnoughGiveWhile: 'Not proofed enough: give it a while.',
  readyForOven: 'Ready for the oven.',
  asFarAsGoesInto: 'As far as it goes: into the oven now.',
  inBowlBySample: 'in the bowl, by the sample',
  inBowl: 'in the bowl',
  readInBowl: 'read in the bowl',
  inSampleJarBeside: 'in a sample jar beside it',
  smallJarWarmsUpSooner: 'A small jar warms up sooner than the bowl, so it rises ahead of it; the forecast allows for that.',
  rise: 'Rise',
  rise2: 'The rise',
  doughMeasured: 'Dough, measured',
  dough: 'The dough',
  flouredFingerCentimetreDeepDent: 'A floured finger, a centimetre deep: the dent',
  note: 'Note it',
  whatDoughShows: 'What the dough shows',
  wantedInBulk: 'wanted in bulk',
  thereAtThisPace: 'there at this pace'
} as const

export const NEXT_STEP = {
  now: 'Now',
  downToNow: (temperature: string) => `Down to ${temperature} now.`
} as const

export const OUTCOME_CARD = {
  rise: 'Rise',
  crumb: 'Crumb',
  taste: 'Taste',
  inWords: 'In words',
  bread: 'The bread',
  picture: 'A picture of it',
  anotherPicture: 'Another picture',
  intoRecord: 'Into the record',
  foodGivenAwayOrSold: 'Food given away or sold: local food law applies.',
  howDidComeOut: 'How did it come out?',
  howCameOut: 'How it came out'
} as const

export const OVEN_CARD = {
  stage: (minutes: number, covered: boolean) => `for ${minutes} min${covered ? ', lid on or steam in' : ''}`,
  min: (bakeMinutes: number) => `${bakeMinutes} min`,
  eachLoads: (loads: number) => `each of ${loads} loads`,
  inOven: 'in the oven',
  heatMinBeforeFrom: (preheatMinutes: number, time: string, word: string) => `Heat it ${preheatMinutes} min before, from ${time}.${word}`,
  steamOrLidForFirst: ' Steam or a lid for the first part, then let the steam out.',
  noSteam: ' No steam.',
  heatGlovesAndFaceAway: 'Heat gloves, and face away when the steam comes out. Put the cap back on the blade.',
  measuredInMiddle: 'Measured in the middle',
  middle: 'The middle',
  note: 'Note it',
  notYetBackIntoOven: 'Not yet: back into the oven, and measure again in five minutes.',
  doneTakeOut: 'Done. Take it out.',
  moreThanDoneTakeOut: 'More than done: take it out now, before it dries.',
  knockOnUndersideHollowSound: (duration: string) =>
    `Knock on the underside: a hollow sound is a baked loaf, a dull one wants a few minutes more. Then let it cool ${duration} before it is cut.`,
  oven: 'The oven',
  inMiddleDone: 'in the middle, done'
} as const
