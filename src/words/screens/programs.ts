export const CHOOSE_PROGRAM = {
  jarsCouldNotBeOpened: 'The jars could not be opened',
  thisJarNotHere: 'This jar is not here',
  hasBeenTakenAwayOr: 'It was removed, or the address has a slip in it.',
  jars: 'Jars',
  inProgramAlready: (name: string) => `${name} is in a program already`,
  finishOrCallOffFirst: (title: string) => `${title}. Finish it or stop it first.`,
  goTo: 'Go to it',
  programs: 'Programs',
  whatToDo: (name: string) => `Programs for ${name}`,
  toBecome: 'What it should become',
  forWord: 'For',
  nameWord: 'a name',
  nameWokenJar: 'Name of the woken jar',
  woken: (name: string) => `${name}, woken`,
  wetToBeDried: 'Wet, to be dried',
  wantedBesideLeast: 'Wanted beside its least',
  givenAway: 'Given away',
  driedAs: 'Dried as',
  awayForDays: 'Away for, days',
  standsFirstAt: 'It stands first at',
  whereStands: 'Where it stands',
  startNewCulture: 'Start a new culture',
  whatToExpect: 'What to expect',
  thatLongerThanCanBe: (name: string) =>
    `That is longer than ${name} can be left: it would need reviving over many days, and might not come back. Dry a spare first.`,
  willBeHungryForLast: (name: string, awayDays: number) => `${name} will be hungry for the last ${awayDays} days. It can be revived; a dried spare is safer.`,
  place: 'a place',
  howWaits: 'How it waits',
  hungryAfterDaysComesBack: (hungryDays: number, lastsDays: number, word: string) => `hungry after ${hungryDays} days, comes back for ${lastsDays}${word}`,
  andMore: ' and more',
  begin: 'Begin'
} as const

export const NEW_CULTURE_ROOM = {
  giveName: 'Give it a name.',
  nameWord: 'Name',
  culture: 'Culture',
  school: 'School',
  equalFeedsForThreeDays: 'Equal feeds for three days and nothing thrown away; then a part is kept, and at last the feeds double.',
  smallJarOneDayOnly: 'A small jar: one day only stirred, then a part is kept and fed every day.',
  whereStands: 'Where it stands',
  rawFlourNotEatenAnd: 'Raw flour is not eaten, and the discard of the first week is thrown away. Lid loose: a sealed jar can burst.',
  fromFlourAndWater: 'From flour and water',
  water: (mass: string) => `${mass} water`,
  stirWellInCleanJar: 'Stir well in a clean jar, mark the level, lid on loosely.',
  mixedBegin: 'Mixed: begin',
  firstDay: 'The first day',
  newCulture: 'A new culture'
} as const

export const PROGRAM_ROOM = {
  thisProgramCouldNotBe: 'This program could not be opened',
  jars: 'Jars',
  to: (jarName: string) => `To ${jarName}`,
  endsHere: 'It ends here',
  day: (dayAt: number) => `Day ${dayAt} · `,
  done: (title: string) => `${title}: done.`,
  notedNotYet: 'Noted: not yet.',
  step: (step: number, length: number, word: string) => `Step ${step} of ${length} · ${word}`,
  notYet: (word: string, notYet: string) => `Not yet, ${word}: ${notYet}`,
  times: (tries: number) => `${tries} times`,
  firstLook: 'First look:',
  weighs: 'It weighs',
  wordAboutIfYouLike: 'A word about it, if you like',
  done2: 'Done',
  soDone: 'Yes: done',
  notYet2: 'Not yet',
  label: 'Its label',
  notYetAgainIn: (deedWords: string, duration: string) => `Not yet: ${deedWords}; again in ${duration}.`,
  toWhatCame: 'See the result',
  goOnWith: 'Go on with it',
  calledOff: 'Stopped',
  notYet3: ': not yet',
  takenBack: ' (taken back)',
  callOff: 'Stop the program',
  course: 'Step by step',
  outJar: 'out of the jar',
  water: 'water'
} as const

export const STEP_LIST = {
  now: 'Now'
} as const
