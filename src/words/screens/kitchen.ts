export const CALENDAR_CARD = {
  myPhone: 'My phone',
  inCalendar: 'In a calendar',
  everyStepWithAlarmTen:
    'Every step with an alarm ten minutes before, and the window of each levain on its way. A file stays as it is; an address follows every look, and every levain that is late.',
  calendarFile: 'Calendar file',
  notAskedForYet: 'not asked for yet',
  lastAskedFor: (dayTime: string) => `last asked for ${dayTime}`,
  withdrawAddress: (name: string) => `Withdraw the address of ${name}`,
  thisAddressToldOnlyNow: 'This address is shown only now. Whoever has it can read your steps; take it away here when it is lost.',
  newAddressFor: 'A new address for',
  make: 'Make it',
  reminders: 'Reminders',
  inGoodTime: 'in good time',
  whenLikely: 'when likely',
  soundWhenStepDue: 'A sound when a step is due',
  noticeThisDeviceWhereBrowser: 'A notice of this device, where the browser allows it',
  browserHasBeenToldNot: 'Notices are blocked in this browser. You can allow them in its settings for this address.',
  thisBrowserShowsNoNotices: 'This browser shows no notices for this address. Sound and badge still work.',
  whenToTellYouAbout: 'When to tell you about a levain',
  halfHourBeforeReadyWhen: (lateRisk: number) =>
    `Half an hour before it is ready, when it is ready, and before it is past: with at most a ${lateRisk} % chance of telling you too late.`
} as const

export const DEVICES_CARD = {
  curlXPostHAuthorization: (origin: string, deviceReadings: string, token: string) =>
    `curl -X POST ${origin}${deviceReadings} -H 'Authorization: Bearer ${token}' -H 'Content-Type: application/json' -d '{"readings":[{"value":412}]}'`,
  benchReadsScaleProbeAnd:
    'Weigh, Watch and Bread can read a scale, a probe, a level sensor and a pH meter; typed figures always work. The simulated ones come with Olvent, to try it.',
  tokenToldOnlyNowDevice: 'Its token is shown only now. A device that pushes its readings sends them like this:',
  deviceYourOwn: 'A device of your own',
  scaleByWindow: 'Scale by the window',
  itIsA: 'It is a',
  hangsAt: 'Where it is',
  takeIn: 'Take it in',
  heatingMatsProofersAndTheir: 'Heating mats, proofers and their sensors: as their makers say; keep electrics dry.',
  devices: 'Devices',
  lastHeard: (dayTime: string) => `last heard ${dayTime}`,
  takeAway: (name: string) => `Remove ${name}`,
  whatStuckInto: 'What it measures',
  levainFilledInTo: 'A levain filled in to',
  room: 'The room',
  putInto: 'Put into a mix of pH',
  doWord: 'Do it'
} as const

export const HOURS_CARD = {
  notAtHome: 'not at home',
  ratherNot: 'rather not',
  hour: (label: string) => `Hour, ${label}`,
  asleepFrom: 'Asleep from',
  asleepUntil: 'Asleep until',
  yourHours: 'Your hours',
  everyWeek: 'Every week',
  workSchoolRunsTrainingWhat: 'Work, school runs, training: what comes back, so that no step falls into it.',
  what: 'What it is',
  howFirm: (name: string) => `${name}: how firm`,
  takeAway: (name: string) => `Remove ${name}`,
  from: (name: string) => `${name} from`,
  to: (name: string) => `${name} to`,
  somethingEveryWeek: 'Add a weekly time',
  noCalendarIcalendarFileEnds: (name: string) => `${name} is not a calendar. A calendar file ends in .ics.`,
  hasNoTimeInThat: (name: string) => `${name} holds no busy times.`,
  wholeDaysAreLeftOut: (wholeDays: number) => `${wholeDays} whole days are left out`,
  moreThanAreLeftOut: 'more than 300 are left out',
  timesFromAreIn: (length: number, name: string, word: string) => `${length === 1 ? '1 time' : `${length} times`} from ${name} added${word}.`,
  once: 'Once',
  eveningOutDayAwayTyped: 'An evening out, a day away; typed in, or read from a calendar file.',
  ratherNot2: ', rather not',
  fewer: 'Fewer',
  all: (length: number) => `All ${length}`,
  time: 'A time',
  fromCalendarFile: 'From a calendar file',
  timeThatTaken: 'A busy time',
  hasToEndAfterBegins: 'It has to end after it begins.',
  nameNeeded: 'A name is needed.',
  howFirm2: 'How firm',
  from2: 'From',
  to2: 'To',
  keepFree: 'Keep it free',
  minute: (label: string) => `Minute, ${label}`
} as const

export const KITCHEN_ROOM = {
  kitchen: 'Kitchen',
  whenYouLikeToMix: 'When you like to mix',
  cupsAndSpoons: 'Cups and spoons',
  iHaveScaleThatShows: 'I have a scale that shows 0.1 g',
  saltYeastAndSmallAmounts: 'Salt, yeast and small amounts are given to 0.1 g.',
  howYouBake: 'How you bake',
  mass: 'Mass',
  temperature: 'Temperature',
  clock: 'Clock',
  units: 'Units'
} as const

export const WORK_CARD = {
  howLongThingsTakeYou: 'How long things take you',
  handsOnMinutes:
    'Minutes with your hands in it. Schedules and the calendar count with them. Olvent learns them from what you weigh, and from steps you begin and mark done.',
  seen: 'learned from your bakes',
  asSeen: 'Back to the minutes learned from your bakes',
  steps: {
    wake: 'Feed the jar',
    ahead: 'Poolish or soaker',
    build: 'Build the levain',
    refill: 'Refill the jar',
    chill: 'Move the levain',
    move: 'Move the dough',
    autolyse: 'Autolyse',
    mix: 'Mix',
    fold: 'Each fold',
    shape: 'Set up to shape',
    piece: 'Shape each loaf',
    roll: 'Shape each roll',
    preheat: 'Turn the oven on',
    bake: 'Load the oven',
    lid: 'Lid off',
    out: 'Unload the oven'
  },
  min: ' min',
  twoLoavesAndADozen: (two: string, dozen: string) => `Shaping takes ${two} for two loaves, ${dozen} for twelve rolls.`,
  asUsual: 'Back to the usual minutes'
} as const

export const PLACES_CARD = {
  stillAir: 'still air',
  waterBath: 'a water bath',
  boxThatKeepsWarmthOr: 'a box that keeps warmth or cold',
  namePlace: 'Name of the place',
  temperature: (name: string) => `Temperature, ${name}`,
  temperature2: 'The temperature',
  takeAway: (name: string) => `Remove ${name}`,
  anotherPlace: 'Another place',
  guess: 'a guess',
  waterFromTap: 'Water from the tap',
  tapWater: 'The tap water',
  firstPlaceTakenForRoom: 'The first place is taken for the room: flour stands there.',
  placesAndHowWarmThey: 'Places and how warm they are',
  sameByDayAndNight: 'the same by day and night',
  byNight: (temperature: string) => `${temperature} by night`,
  coolerByNight: 'Cooler by night',
  coldestByNight: 'Coldest, by night',
  temperatureByNight: 'The temperature by night',
  warmestInAfternoonAtFour: 'Warmest in the afternoon at four, coldest twelve hours from there.',
  whatSurroundsJarThere: 'What surrounds a jar there',
  howManyFindRoomThere: 'How many find room there',
  asManyAsThereAre: 'as many as there are',
  readingsBroughtIn: (word: string, count: number, dayTime: string) => `${word}, ${count} readings, brought in ${dayTime}`,
  pastedLog: 'A pasted log',
  takenBack: ': taken back',
  toUseAgain: 'Use it again',
  takeBack: 'Take it back',
  readingsAreIn: (length: number, name: string) => `${length} readings added to ${name}.`,
  measuredThere: 'Measured there',
  nothingYetLogThermometerMakes: 'Nothing yet. A log of a thermometer makes the forecast follow the real room.',
  readingsTo: (count: number, dayTime: string, dayTime2: string) => `${count} readings, ${dayTime} to ${dayTime2}.`,
  readings: (name: string) => `Readings of ${name}`,
  reading: 'Loading …',
  noLineThisHasTime: 'No line of this has a time and a temperature. A line looks like: 2026-11-26 20:00, 21.5',
  readingsTo2: (length: number, dayTime: string, dayTime2: string) => `${length} readings, ${dayTime} to ${dayTime2}`,
  linesSayNothingAndAre: (length: number, skipped: string) => `; ${length} lines hold no reading and are left out (line ${skipped})`,
  fromFile: 'From a file',
  bringThemIn: 'Bring them in',
  close: (name: string) => `Close ${name}`
} as const

export const TELL_ONCE = {
  copied: 'Copied',
  copy: 'Copy it'
} as const

export const THIS_KITCHEN = {
  nameWord: 'Name',
  giveKitchenName: 'Give the kitchen a name.',
  timeZone: 'Time zone',
  currency: 'Currency',
  copiesMovingHouseAndOther: 'Copies, moving house, and other devices',
  kitchen: 'The kitchen',
  light: 'Light',
  asDevice: 'as the device',
  singleKeyShortcuts: 'Single-key shortcuts',
  pressToSeeThemAll: 'Press ? to see them all.',
  thisWindow: 'This window',
  bright: 'bright',
  dim: 'dim'
} as const

export const VESSELS_CARD = {
  jarWithInnerWidthAnd: 'A jar with its inner width and height lets Olvent say where to put the rubber band and whether the peak stays below the rim.',
  mlMmEmpty: (capacityMl: number, innerDiameterMm: number, heightMm: number, mass: string) =>
    `${capacityMl} ml, ${innerDiameterMm} × ${heightMm} mm, empty ${mass}`,
  anotherVessel: 'Another vessel',
  vessels: 'Vessels',
  kept: (name: string) => `${name} is kept.`,
  hasBeenTakenAway: (name: string) => `${name} was removed.`,
  nameWord: 'Name',
  emptyWeight: 'Empty weight',
  holdsMl: 'Holds, ml',
  innerWidthMm: 'Inner width, mm',
  heightInsideMm: 'Height inside, mm',
  made: 'Made of',
  save: 'Save',
  cancel: 'Cancel',
  takeAway: (name: string) => `Remove ${name}`
} as const

export const USE_CHANGE = {
  kitchenWasChangedInAnother: 'The kitchen was changed in another window. You see that change now; change it again if you like.'
} as const
