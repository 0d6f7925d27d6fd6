export const APP = {
  olventsServerDoesNotAnswer: 'Olvent’s server does not answer',
  startAgainInTerminalThis: 'Start it again in its terminal; this window goes on by itself.',
  tryNow: 'Try now',
  kitchenCouldNotBeOpened: 'The kitchen could not be opened',
  tryAgain: 'Try again',
  thereNoSuchPage: 'There is no such page',
  addressMayHaveSlipIn: 'The address may have a slip in it.',
  goToToday: 'Go to Today',
  opening: 'Opening'
} as const

export const ERROR_BOUNDARY = {
  thisPageHasFailed: 'This page has failed',
  whatYouEnteredKeptOpen: 'What you entered is kept. Open the page again; if it fails once more, the other rooms still work.',
  openAgain: 'Open it again'
} as const

export const KEYS_SHEET = {
  singleKeysAreYouCan: (word: string, word2: string) => `Single keys are ${word}. You can turn them ${word2} in Kitchen, under This kitchen.`,
  keys: 'Keys'
} as const

export const NOTICES = {
  olventsServerDoesNotAnswer: 'Olvent’s server does not answer.',
  olventsServerHasProblemJust: 'Olvent’s server has a problem just now.',
  diskOlventsComputerFullMake: 'The disk of Olvent’s computer is full: make some room there.',
  thisDeviceSignedOut: 'This device is signed out.',
  oneEntry: 'One entry is',
  entriesAre: (length: number) => `${length} entries are`,
  keptInThisAndSent: (word: string, count: string, word2: string) => `${word} ${count} kept in this ${word2} and sent as soon as it can be taken.`,
  windowLeaveOpen: 'window (leave it open)',
  tryNow: 'Try now',
  clockOlventsComputerRightSays: (moment: string, moment2: string) =>
    `Is the clock of Olvent’s computer right? It says ${moment}, and the last entry was made on ${moment2}. If it is wrong, set it there before you note anything.`,
  iHaveSet: 'I have set it',
  right: 'It is right',
  thisBrowserCannotKeepAnything:
    'This browser cannot keep anything: its storage is full or switched off. What you enter goes to Olvent’s server as usual. While the server is away, leave this window open.',
  close: 'Close',
  notAcceptedAfterWaitingFor: (word: string, word2: string) => `${word} not accepted after waiting for the server. ${word2} kept for you.`,
  oneEntryWas: 'One entry was',
  entriesWere: (length: number) => `${length} entries were`,
  itIs: 'It is',
  theyAre: 'They are',
  lookAt: (word: string) => `Look at ${word}`
} as const

export const PALETTE = {
  compare: 'Compare',
  newBake: 'New bake',
  mix: (dayTime: string) => `mix ${dayTime}`,
  pace: (name: string) => `${name}: pace`,
  label: (name: string) => `${name}: label`,
  programs: (name: string) => `${name}: programs`,
  pastBakes: 'Past bakes',
  mixed: (date: string) => `mixed ${date}`,
  onShelf: 'on the shelf',
  nothingByThatName: 'Nothing by that name.',
  roomBakeJarRecipeIngredient: 'Room, bake, jar, recipe, ingredient, setting or word',
  findAnything: 'Find anything'
} as const

export const REMINDERS = {
  whileYouWereAway: (open: string) => `While you were away: ${open}`,
  andMore: (length: number) => ` and ${length} more`,
  goToToday: 'Go to Today',
  iHaveSeen: 'I have seen it',
  now: 'Now',
  olvent: (overdue: number) => `(${overdue}) Olvent`
} as const

export const SHELL = {
  bright: 'Bright',
  dim: 'Dim',
  skipToRoom: 'Skip to the room',
  olvent: 'Olvent',
  newBake: 'New bake',
  rooms: 'Rooms',
  findAnything: 'Find anything',
  keys: 'Keys',
  kitchen: 'Kitchen'
} as const

export const TRAY = {
  notAcceptedYet: 'Not accepted yet',
  whenHappened: 'When it happened',
  sendAgain: 'Send again',
  throwAway: 'Throw away',
  thrownAway: (words: string) => `“${words}” is thrown away.`
} as const

export const ROOMS_WORDS = {
  today: 'Today',
  bakes: 'Bakes',
  jars: 'Jars',
  shelf: 'Shelf',
  recipes: 'Recipes',
  kitchen: 'Kitchen',
  todayBakesJarsShelfRecipes: 'Today, Bakes, Jars, Shelf, Recipes, Kitchen',
  newBake: 'New bake',
  brightOrDim: 'Bright or dim',
  stationsBake: 'Stations of a bake',
  stationBeforeStationAfter: 'Station before, station after',
  fromCellToCellIn: 'From cell to cell in a dough',
  ctrlZCtrlY: 'Ctrl Z · Ctrl Y',
  undoDoAgain: 'Undo, do again',
  nextStepAtWeigh: 'Next step at Weigh',
  noteWhatYouSawAt: 'Note what you saw at Watch',
  todayNextStepDoneDone: 'Today: next step done, done 15 min ago, left out',
  ctrlK: 'Ctrl K',
  findAnything: 'Find anything',
  thisSheet: 'This sheet'
} as const
