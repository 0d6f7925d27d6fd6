export const COST_CARD = {
  noBakeYetGiveYour: 'No bake yet. Give your flours a price, and every bake and loaf has one.',
  noPrice: 'no price',
  from: 'from ',
  pieceThem: (money: string, pieces: number) => ` · ${money} a piece, ${pieces} of them`,
  keepingJars: 'Keeping the jars',
  flour: (mass: string) => `${mass} of flour`,
  withoutPriceCostsThatMuch: (unpriced: string, word: string) => `Without a price: ${unpriced}${word}. It costs that much more.`,
  andMore: ' and more',
  whatCosts: 'What it costs'
} as const

export const INGREDIENTS_CARD = {
  findIngredient: 'Find an ingredient',
  findByName: 'Find by name',
  flour: (percent: string) => `${percent} flour`,
  water: (percent: string) => `${percent} water`,
  salt: (percent: string) => `${percent} salt`,
  anotherIngredient: 'Another ingredient',
  all: (length: number) => `All ${length}`,
  ingredients: 'Ingredients'
} as const

export const SHELF_ROOM = {
  shelfCouldNotBeOpened: 'The shelf could not be opened',
  planBakeOrFeedJar: 'Plan a bake or feed a jar, and what they take stands here. Enter what you have, and Olvent counts it down.',
  inStoreAndNextWeeks: (shelf_days: number) => `In store, and the next ${shelf_days} weeks`,
  shelf: 'Shelf',
  newBlend: 'New blend',
  newFlour: 'New flour',
  protein: (word: string, percent: string) => `protein ${word}${percent}`,
  about: 'about ',
  forWord: (money: string, mass: string) => `${money} for ${mass}`,
  notCounted: 'not counted',
  noneLeft: 'none left',
  nothingPlanned: 'nothing planned',
  takes: (mass: string) => `takes ${mass}`,
  short: (whenWords: string, forWhat: string) => `short ${whenWords}, ${forWhat}`
} as const

export const SHELF_SHEET = {
  asWas: (name: string) => `${name} is as it was.`,
  hasBeenTakenAway: (name: string) => `${name} was removed.`,
  backToWhatWas: 'Back to what it was',
  takeAway: 'Remove it',
  newOne: 'A new one',
  neverCountedFromFirstCount: 'Never counted: from the first count on it is drawn down by what you weigh.',
  recorded: (mass: string) => `${mass} recorded.`,
  there: 'There is',
  counted: 'Counted',
  areInStore: (mass: string, name: string) => `${mass} of ${name} in store.`,
  pack: 'A pack of',
  soMuch: 'So much of it',
  bought: 'Bought',
  areIn: (mass: string, name: string) => `${mass} of ${name} added.`,
  mixed: 'Mixed it',
  areMixed: (mass: string, name: string) => `${mass} of ${name} are mixed.`,
  inStore: 'In store'
} as const

export const SHOPPING_CARD = {
  inAllNotCounted: ' in all, not counted',
  shoppingUntil: (date: string) => `Shopping until ${date}`,
  howFarAhead: 'How far ahead',
  week: 'a week',
  weeks: (w: string) => `${w} weeks`,
  nothingMissingUntilThen: 'Nothing is missing until then.',
  areMissing: (mass: string) => `${mass} are missing`,
  aboutAsFarAsPrices: (money: string) => `About ${money}, as far as prices are known.`,
  print: 'Print',
  copied: 'Copied',
  copy: 'Copy',
  markdown: 'Markdown',
  shoppingMd: (name: string) => `${name} shopping.md`
} as const
