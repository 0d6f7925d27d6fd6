export const FROM_LOG = {
  exampleLines: '2026-11-26 20:00, 62 mm, 22.5\n2026-11-26 20:10, 64 mm, 22.5',
  noColumnHoldsTimeSay: 'No column holds a time. Say which one does.',
  noColumnHoldsHeightOr: 'No column holds a height or a rise. Say which one does.',
  heightAtMarkMissingSo: 'The height at the mark is missing, so the rise cannot be worked out.',
  noLineThisHasTime: 'No line of this has a time and a level.',
  logLevels: 'Log of levels',
  noneTheseReadingsLiesBetween: 'None of these readings lies between mixing and now.',
  levelsToUpTo: (length: number, dayTime: string, dayTime2: string, rise: string, word: string) =>
    `${length} levels, ${dayTime} to ${dayTime2}, up to ${rise}.${word}`,
  themSpreadEvenlyAreNoted: (length: number) => ` ${length} of them, spread evenly, are noted.`,
  stoodAtUseThatFor: (temps: string) => `It stood at ${temps}: use that for the forecast.`,
  notWhileMoveStillPlanned: 'Not while a move of it is still planned: note that first.',
  fromFile: 'From a file',
  noteLooks: (length: number) => `Note ${length} looks`,
  looksAreNoted: (length: number) => `${length} looks are noted.`,
  lineHoldsTimeHeightOr:
    'A line holds a time, a height or a rise, and a temperature if there is one; comma, semicolon or tab between them. A file can be dropped here.'
} as const

export const FROM_PICTURES = {
  notedFromPicture: 'Noted from the picture.',
  looksAreNoted: (length: number) => `${length} looks are noted.`,
  takeJarFromSideAt: 'Take the jar from the side, at its own height. Several pictures of one jar become a curve. What they say of their place is not kept.',
  choosePictures: 'Choose pictures',
  otherPictures: 'Other pictures',
  tryWithMadeUpOnes: 'Try it with made-up ones',
  lookingAtPictures: 'Looking at the pictures',
  levelCannotBeToldIn: 'Olvent cannot find the level in this one. Set the lines yourself, or leave it out.',
  noLevel: 'no level',
  cannotTell: 'cannot tell',
  notThisLevain: ' (not of this levain)',
  saveWhatYouSaw: 'Save what you saw',
  noteLooks: (length: number) => `Note ${length} looks`,
  leaveOutPicture: (time: string) => `Leave out the picture of ${time}`
} as const

export const LEVEL_ASKED = {
  mistyped: (rise: string) => `I mistyped ${rise}`,
  stirred: 'It was stirred or knocked down',
  'band moved': 'The band was moved',
  rightItFell: 'It is right: it fell',
  right: 'It is right',
  levelYouSaw: 'The level you saw',
  level: 'The level',
  save: 'Save',
  noted: 'Noted. The forecast goes on from there.'
} as const

export const LEVEL_JAR = {
  levelInJar: 'Level in the jar',
  markedLevel: (rise: string) => `${rise} × the marked level`
} as const

export const LOOK = {
  expectedNowDragTapOr: 'Expected now. Drag, tap or type the level you see.',
  levelComparedWithMark: 'Level compared with the mark',
  lower: 'Lower',
  riseTimes: (rise: string) => `Rise ${rise} times`,
  higher: 'Higher',
  orTyped: 'Or typed',
  rise: 'The rise',
  orHeight: 'Or its height',
  height: 'The height',
  seen: 'Seen',
  saveWhatYouSaw: 'Save what you saw',
  pinkOrangeOrFuzzyThrow: 'Pink, orange or fuzzy: throw all of it away, do not scoop; wash the jar with hot water and soap.',
  whatYouSee: 'What you see',
  tellsMostNow: 'tells most now'
} as const

export const PICTURE_LINES = {
  floorJar: 'Floor of the jar',
  jar: 'The jar'
} as const

export const VERDICT_CARD = {
  verdict: 'Verdict',
  sure: (says: string, sure: string) => `${says}, ${sure} sure`,
  thisNotWhatForecastSaid: 'This is not what the forecast said. What you saw counts, so the forecast no longer holds.',
  whatWouldTellMostNow: 'What would tell most now: ',
  level: 'the level',
  whatEachLookSaid: 'What each look said',
  over: 'over ',
  level2: (rise: string) => `level ${rise}`,
  changedNothing: 'changed nothing',
  without: (word: string, word2: string, sure: string) => `${word} “${word2}”: ${sure} without it`,
  readyToMix: 'ready to mix',
  chanceBetween: '50 % chance between',
  chanceBetween2: '90 % chance between'
} as const

export const WATCH_STATION = {
  lookAtJar: (name: string) => `Look at ${name} itself`,
  usedAsItIs: (name: string) => `This dough takes ${name} as it is. Note what you see at the jar, and weigh it when it’s ready.`,
  weighIntoDough: 'Weigh it into the dough',
  noted: 'Noted.',
  goToJar: (name: string) => `Go to ${name}`,
  levelCorrected: 'The level is corrected.',
  pH: (pH: number) => `pH\u202f${pH}`,
  nothingToWatchYet: 'Nothing to watch yet',
  onceLevainWeighedAndLevel: 'Once the levain is weighed and its level is marked, you can follow its rise here.',
  goToWeigh: 'Go to Weigh',
  photographsJar: 'Photographs of the jar',
  logLevels: 'A log of levels',
  fromPicturesOrLog: 'From pictures or a log',
  intoDough: 'Into the dough',
  mixedAndInRecord: (name: string) => `${name} is mixed and in the record.`,
  anotherPlace: 'another place',
  movedTo: 'Moved to',
  stillThere: 'still there',
  when: 'When',
  standsThereNow: 'It stands there now',
  stands: (name: string) => `It stands: ${name}`,
  jarAt: (time: string) => `The jar at ${time}`,
  undoLastLook: 'Undo the last look',
  whatYouSaw: 'What you saw',
  backInto: (word: string) => `back into ${word}`,
  jar: 'the jar',
  whenYouMixedOlventSaw: (word: string, at: string, at2: string) => `When you mixed, Olvent saw it ${word} and ready from ${at} to ${at2}.`,
  goToBread: 'Go to Bread',
  undoWasNotMixed: 'Undo: it was not mixed',
  inRecord: 'In the record',
  mixed: 'mixed',
  sinceMixing: 'since mixing',
  levainInDough: 'levain in the dough'
} as const

export const COOK_IT = {
  title: (mass: string) => `Cook with it: what ${mass} can still be`,
  with: (lines: string) => `With ${lines}.`
} as const

export const WAYS_CARD = {
  rawDoughAndRawDiscard: 'Raw dough and raw discard are not eaten. Never seal a fermenting jar tight.',
  whatYouCanDo: 'What you can do',
  daysFromNow: 'days from now',
  jar: 'the jar',
  mixNow: 'Mix now',
  ifMixedNow: 'If you mix it now',
  mixYoung: 'Mix it young',
  mixLessSour: 'Mix it less sour',
  mixFromCold: 'Mix it from the cold',
  mixPast: 'Mix it past its best',
  lookAgainAt: (dayTime: string) => `Look again at ${dayTime}`,
  readyFromAboutUntil: (at: string, at2: string) => `Ready from about ${at} until ${at2}.`,
  warm: (name: string) => `Warm it: ${name}`,
  fitSoonerFromAboutOver: (duration: string, at: string, at2: string) => `Ready ${duration} sooner, from about ${at}; over by ${at2}.`,
  chillToHold: (name: string) => `Chill it to hold: ${name}`,
  usableUntilAboutInsteadCold: (at: string, at2: string, word: string) =>
    `Usable until about ${at} instead of ${at2}${word}. Cold, it chills the dough: use warmer water.`,
  readyOnlyFrom: (at: string) => `; ready only from ${at}`,
  feedAgain: (ratioOf: string) => `Feed again ${ratioOf}`,
  ripeAboutWhereStands: (when: string) => `Ripe about ${when}, where it stands.`,
  youSleepThen: ' You sleep then.',
  feedJar: (name: string) => `Feed ${name} like this`,
  feedItMixAt: (dayTime: string) => `Feed it like this, mix ${dayTime}`,
  weighNextOfIt: 'Weigh the next levain from this one. What is left of this one goes to the discard pot.',
  ifBakeCannotWaitInstant: (mass: string) => `If the bake cannot wait: ${mass} of instant yeast in the dough`,
  withBulkTakesAboutAs: (duration: string) => `With it, bulk takes about ${duration}, as with a ripe levain. Less flavour, and none of it into the jar.`,
  iHavePutThere: 'I have put it there',
  iHavePutThere2: (place: string) => `I have put it there: ${place}`,
  expectTangierLoaf: ' Expect a tangier loaf.',
  expectMilderLoaf: ' Expect a milder loaf.',
  chanceThatReadyNow: (percent: string) => `${percent} chance that it is ready now.`,
  doughWouldHardlyRise: ' The dough would hardly rise.',
  bulkAboutAsUsual: (duration: string) => ` Bulk about ${duration}, as usual.`,
  bulkAboutThanWithRipe: (duration: string, duration2: string, word: string) => ` Bulk about ${duration}: ${duration2} ${word} than with a ripe one.`,
  flourAndWater: (mass: string, more: string, mass2: string) => `${mass} ${more} flour and ${mass2} ${more} water`,
  bulkAbout: (duration: string) => `, bulk about ${duration}`,
  orInsteadWith: (mass: string, mass2: string, change: string, word: string, bulk: string) =>
    ` Or ${mass} of it instead of ${mass2}, with ${change}${word}${bulk}.`,
  noSourerThanUsual: ': no sourer than usual'
} as const
