export const MIS_POUR = {
  carryOnAs: 'Carry on as it is',
  correctByAdding: 'Correct by adding',
  scaleRestToMatch: 'Scale the rest to match',
  wentOutBowlPutBack: (mass: string) => `${mass} went out of the bowl. Put it back, or undo what was weighed.`,
  lookAgain: 'Look again',
  mistyped: 'I mistyped, or read it wrong',
  what: (mass: string) => `${mass} is what “`,
  weighsWasThat: '” weighs. Was it that?',
  yesWas: 'Yes, it was ',
  no: (title: string) => `No, it is ${title}`,
  allThatInBowlScale: (mass: string, mass2: string) => `${mass} is all that is in the bowl: the scale was not set to zero. ${mass2} of it are new.`,
  take: (mass: string) => `Take ${mass}`,
  tooMuch: 'too much',
  cutSomeOff: 'Cut some off.',
  addLittle: 'Add a little.',
  leaveSo: 'Leave it so',
  nothingLostChooseHowTo: (mass: string, word: string) => `${mass} ${word}. Nothing is lost: choose how to go on.`,
  pourMissing: (mass: string) => `Pour the missing ${mass}`,
  noLongerAsPlanned: ' · no longer as planned',
  more: (mass: string, title: string) => `${mass} more ${title}`,
  nothingToDo: 'Nothing to do.',
  salt: (percent: string) => ` · salt ${percent}`,
  hydrationInAll: (percent: string, salt: string, mass: string) => `hydration ${percent}${salt} · ${mass} in all`
} as const

export const PH_FIELD = {
  pHByMeter: 'pH, by a meter',
  pH: 'The pH',
  expectedNow: (pH: string) => `about ${pH} expected`
} as const

export const READ_FROM = {
  typedByHand: 'Typed by hand',
  take: (words: string) => `Take ${words}`,
  takenFrom: (kind: string, words: string) => `Taken from the ${kind}: ${words}.`
} as const

export const SCALE_BAR = {
  scale: 'Scale',
  typedByHand: 'Typed by hand',
  batteryAt: (percent: string) => `Battery at ${percent}`,
  moveStandIn: 'Move the stand-in',
  bowlOn: 'Bowl on',
  exactly: (mass: string) => `Exactly ${mass}`,
  pourByHand: 'Pour by hand',
  gTooMuch: (slip_grams: number) => `${slip_grams} g too much`,
  spillG: (value: number) => `Spill ${value} g`,
  liftOff: 'Lift off',
  putBack: 'Put back',
  ownZero: 'Its own zero',
  batteryOutIn: 'Battery out / in'
} as const

export const WEIGH = {
  poured: (length: number, length2: number) => `${length} of ${length2} poured`,
  littleMore: (title: string) => `${title}: a little more`,
  of: (mass: string) => `of ${mass}`,
  right: 'Right.',
  putBowlOnScaleWhat: 'Put the bowl on the scale: it is set to zero with the bowl on it.',
  silentWakeOrLookAt: (name: string) => `${name} does not answer. Wake it, or check its battery; meanwhile you can type the figures.`,
  bowlOffScaleOrWas: 'The bowl is off the scale, or it was set to zero. Put it back, or go on: what goes in from now on counts.',
  whatScaleShows: 'What the scale shows',
  whatWasWeighed: 'What was weighed',
  bowlOn: 'The bowl is on',
  poured2: 'Poured',
  space: 'space',
  spokenAloud: 'Spoken aloud'
} as const
