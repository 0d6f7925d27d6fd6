export const BASE_SELECT = {
  percentages: 'Percentages of'
} as const

export const LIBRARY_SHEET = {
  inLibrary: (name: string) => `${name} is in the library.`,
  hasNewVersion: (name: string) => `${name} has a new version.`,
  saveThisDough: 'Save this dough',
  nameWord: 'Name',
  nameNeeded: 'A name is needed.',
  note: 'Note',
  thereRecipeThatNameThis: (version: number) => `There is a recipe of that name: this becomes its version ${version}, and the earlier ones stay.`,
  saveAsRecipe: 'Save as a recipe',
  saveAsNewVersion: 'Save as a new version',
  takeOneFromLibrary: 'Take one from the library',
  allRecipes: 'All recipes',
  thereNoneYet: 'There is none yet.',
  version: (sizeWords: string, version: number) => `${sizeWords} · version ${version}`,
  take: 'Take',
  recipes: 'Recipes'
} as const

export const PORTIONS = {
  firstToRest: 'First, to rest',
  atMix: 'At the mix',
  atEndHeldBack: 'At the end, held back'
} as const

export const RECIPE_READER = {
  gStrongFlourCupsRye: '480 g strong flour\n1 1/2 cups rye\n0.35 l water\n120 g levain\n2 tsp salt',
  thisFileLargerThanRecipe: 'This file is larger than a recipe can be (500 KB).',
  thisFileCouldNotBe: 'This file could not be read.',
  typeOrPasteLinesOr: 'Type or paste its lines, or open a file: formula (JSON), schema.org recipe, CSV or Markdown. Nothing changes until you take it.',
  recipe: 'The recipe',
  openFile: 'Open a file',
  thisLooksLikeJsonBut: 'This looks like JSON, but it is cut off or damaged.',
  noListIngredientsWasFound: 'No list of ingredients was found in this.',
  readRecipe: 'Read a recipe',
  thisFormulaFileNotQuite: 'This formula file is not quite right:',
  lines: (length: number) => `, ${length} lines.`,
  newToThisKitchen: (fresh: string) => ` New to this kitchen: ${fresh}.`,
  use: 'Use it',
  asked: 'Asked',
  leftOut: 'Left out',
  understood: 'Understood',
  notUsed: (unused: string) => `not used: ${unused}`,
  takeIn: (text: string) => `Take ${text} in`,
  onlyFirstLinesWereRead: 'Only the first 200 lines were read.',
  beforeCanBeTaken: (word: string) => `${word} before it can be taken.`,
  oneLineNeedsIngredient: 'One line needs an ingredient',
  linesNeedIngredient: (length: number) => `${length} lines need an ingredient`,
  thereNoFlourAmongThese: 'There is no flour among these lines.',
  thereNoWaterMilkOr: 'There is no water, milk or other liquid among these lines.',
  someLinesAreInGrams: 'Some lines are in grams, others only in percent. Give the missing grams, or leave those lines out.',
  theseFiguresDoNotMake: 'These figures do not make a dough.',
  nothingInTellsWhichFlour: 'It doesn’t say which flour counts as 100 %.',
  seemsToBeWrittenIn: (name: string, word: string) => `It seems to be written in percentages of ${name}: ${word}.`,
  theyFit: 'they fit',
  figuresComeOutRound: 'its figures come out round',
  scaledToSoMuchDough: 'Scaled to so much dough',
  dough: 'The dough',
  toMarkedUntilWeighed: (name: string, massFigure: string, mass: string) => `${name}, ${massFigure} to ${mass}: marked until weighed`,
  whichIngredient: (text: string) => `Which ingredient is ${text}`,
  whichThese: 'Which of these?',
  whichIngredient2: 'Which ingredient is it?',
  howMuch: (name: string) => `How much ${name}`,
  thisWord: 'This',
  howMuch2: 'How much?',
  leaveOut: (text: string) => `Leave ${text} out`,
  trueHydration: 'true hydration',
  trueSalt: 'true salt',
  flourInLevain: 'flour in the levain'
} as const
