export const BLEND_EDITOR = {
  parts: 'Parts',
  flour: (of: string) => `Flour of ${of}`,
  flour2: (i: number, of: string) => `Flour ${i} of ${of}`,
  partsFlour: (i: number) => `Parts of flour ${i}`,
  theParts: 'The parts',
  takeFlourOut: (i: number) => `Take flour ${i} out`,
  anotherFlour: 'Another flour'
} as const

export const BRING_IN = {
  thisKitchenInUse: (name: string) => `This kitchen, “${name}”, is in use`,
  partThisKitchenNow: (kitchen: string) => `“${kitchen}” is part of this kitchen now.`,
  here: (kitchen: string) => `“${kitchen}” is here.`,
  takenAlong: (dayTime: string, heldWords: string) => `Taken along ${dayTime}: ${heldWords}.`,
  addFileTo: 'Add the file to it',
  jarsBakesAndRecipesBoth: 'Jars, bakes and recipes of both stand beside each other.',
  replace: 'Replace it',
  onlyWhatInFileHere: 'Only what is in the file is here afterwards.',
  copyThisKitchenAsNow: 'A copy of this kitchen as it is now is kept first.',
  openHere: 'Open it here',
  add: 'Add it',
  replace2: (replaces: string) => `Replace “${replaces}”`,
  cancel: 'Cancel',
  stillToDecide: (undecided: number) => `${undecided} still to decide`,
  allAsHere: 'All as here',
  allAsInFile: 'All as in the file'
} as const

export const CLASH_NOTES = {
  thatPlace: 'That place',
  andMoreTheseTwo: (length: number) => ` And ${length} more of these two.`,
  findAnotherTimeFor: 'Find another time for ',
  andMorePairsThatWant: (length: number) => `And ${length} more pairs that want the same at the same time.`,
  oneOvenTwoBakesAnd: (value: string, value2: string, at: string) => `One oven, two bakes: ${value} and ${value2} are both in it, ${at}.`,
  bothNeedYouAtOnce: (at: string, step: string, value: string, step2: string, value2: string) =>
    `Both need you at once, ${at}: ${step} (${value}) and ${step2} (${value2}).`,
  fullAndBothStandThere: (placeName: string, value: string, value2: string, at: string) =>
    `${placeName} is full: ${value} and ${value2} both stand there, ${at}.`
} as const

export const FLOUR_FIELDS = {
  protein: 'Protein',
  packet: 'Protein in a serving',
  inServing: 'A serving weighs',
  takeProtein: (percent: string) => `Take ${percent} of protein from the packet`,
  wholegrain: 'Wholegrain',
  drinksMoreThanWhite: 'Drinks more than white',
  paceBesideWhite: 'Pace beside white',
  strengthBesideWhite: 'Strength beside white',
  usualForKindTo: (show: string, show2: string) => `usual for its kind: ${show} to ${show2}`,
  asYouSaid: 'as you said',
  asKindUsually: 'As its kind usually is',
  price: (currency: string) => `Price, ${currency}`,
  price2: 'The price',
  forPack: 'for a pack of',
  pack: 'The pack',
  lot: 'Lot',
  opened: 'Opened',
  note: 'Note'
} as const

export const HISTORY = {
  looking: 'Loading …',
  nothingHasBeenChangedYet: 'Nothing has been changed yet.',
  on: (who: string) => `, on ${who}`,
  whatWasChanged: 'What was changed',
  changes: (title: string) => `Changes of ${title}`
} as const

export const INGREDIENT_FORM = {
  glutenAsked: 'Does it hold gluten?',
  soundsLikeGluten: 'By its name it holds gluten. Gluten-free jars and doughs let it in as it stands here.',
  oatsMayHold: 'Oats hardly ever come without gluten. Only those sold as gluten-free are.',
  kept: (name: string) => `${name} is kept.`,
  nameWord: 'Name',
  kind: 'Kind',
  fermentsLike: 'Ferments like',
  waterIn: 'Water in it',
  flourIn: 'Flour in it',
  saltIn: 'Salt in it',
  sugarIn: 'Sugar in it',
  fatIn: 'Fat in it',
  blend: 'the blend',
  canBeToldBySpoons: 'Can be measured in spoons and cups',
  gramsInMlLeast: 'Grams in a ml, least',
  andMost: 'and most',
  allergens: 'Allergens',
  goesOnSmallScale: 'Goes on the small scale',
  save: 'Save',
  cancel: 'Cancel'
} as const

export const INGREDIENT_PICKER = {
  findIngredient: 'Find an ingredient',
  findByName: 'Find by name',
  nothingByThatNameYet: 'Nothing by that name yet.',
  newIngredient: 'A new ingredient',
  add: (text: string) => `Add “${text}”`
} as const

export const MOMENT_FIELD = {
  day: 'Day',
  time: 'Time'
} as const

export const QUANTITY_FIELD = {
  byVolume: (mass: string) => `by volume: ${mass}`,
  byVolumeBetween: (least: string, most: string) => `by volume: somewhere between ${least} and ${most}`,
  hasToBeFromTo: (what: string, word: string, show: string, show2: string, unit: string) => `${what} has to be ${word} from ${show} to ${show2}${unit}.`,
  wholeNumber: 'a whole number',
  number: 'a number'
} as const

export const TELL = {
  takenBack: (words: string) => `Taken back: ${words}`,
  undo: 'Undo',
  thatDidNotWork: 'That did not work',
  somethingWentWrong: 'Something went wrong.'
} as const

export const STATIONS_WORDS = {
  recipe: 'Recipe',
  levain: 'Levain',
  plan: 'Plan',
  weigh: 'Weigh',
  watch: 'Watch',
  bread: 'Bread'
} as const

export const WHEN_FIELD = {
  ago: (minutes: number) => {
    if (minutes === 0) return 'just now'
    if (minutes < 60) return `${minutes} min ago`
    return minutes === 60 ? '1 hour ago' : `${minutes / 60} hours ago`
  },
  atAnotherTime: 'at another time'
} as const
