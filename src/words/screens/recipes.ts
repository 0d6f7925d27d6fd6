export const RECIPE_CARD = {
  oven: (stages: string) => `Oven: ${stages}.`,
  ovenStage: (temperature: string, minutes: number, covered: boolean) => `${temperature} for ${minutes} min${covered ? ' with lid or steam' : ''}`,
  flourThatGone: 'a flour that is gone',
  levainAtFrom: (sizeWords: string, percent: string, floursOf: string) => `${sizeWords} · levain at ${percent} from ${floursOf}`,
  of: (word: string) => `of ${word}`,
  allFlour: 'all flour',
  flourAdded: 'the flour added',
  weigh: 'weigh',
  dough: 'Dough',
  noAllergensList: 'None of the listed allergens.',
  fermentingDoesNotMakeSafe: ' Fermenting does not make it safe for coeliac disease or wheat allergy.',
  trueHydration: 'true hydration',
  trueSalt: 'true salt',
  preFermentedFlour: 'pre-fermented flour',
  contains: (allergens: string) => `Contains ${allergens}.`
} as const

export const RECIPES = {
  recipesCouldNotBeOpened: 'The recipes could not be opened',
  recipes: 'Recipes',
  readRecipeOrFile: 'Read a recipe or a file',
  noRecipesYet: 'No recipes yet',
  keepDoughYouLikeFrom: 'Keep a dough you like from its bake, or read a recipe somebody else wrote.',
  readRecipe: 'Read a recipe',
  version: (version: number) => ` · version ${version}`,
  recipe: 'A recipe',
  inLibrary: (name: string) => `${name} is in the library.`,
  copy: (name: string) => `${name}, a copy`,
  hasBeenTakenOut: (name: string) => `${name} was removed.`,
  asWasInVersionAgain: (name: string, version: number) => `${name} is as it was in version ${version} again.`,
  bakeThis: 'Bake this',
  print: 'Print',
  moreForThisRecipe: 'More for this recipe',
  saveAsFile: 'Save as a file',
  makeCopy: 'Make a copy',
  takeOutLibrary: 'Remove it from the library',
  thisVersionNewest: (version: number, version2: number) => `This is version ${version}; the newest is ${version2}. `,
  makeThisNewest: 'Make this the newest',
  versionOf: (name: string, version: number) => `${name}, version ${version}`,
  version2: 'Version',
  beside: 'Beside',
  anotherFormula: 'another recipe',
  compareTwoRecipes: 'Compare two recipes',
  oneTwoCannotBeWorked: 'One of the two cannot be worked out in this kitchen.',
  trueHydration: 'True hydration',
  trueSalt: 'True salt',
  preFermentedFlour: 'Pre-fermented flour',
  allFlour: 'of all flour',
  linesInBoldDiffer: 'Lines in bold differ.'
} as const

export const DOWNLOAD = {
  recipeJsonComplete: 'Recipe (JSON), complete',
  schemaOrgRecipeJsonLd: 'schema.org recipe (JSON-LD)',
  tableCsv: 'Table (CSV)',
  pageMarkdown: 'Page (Markdown)',
  thisRecipeCannotBeWorked: 'This recipe cannot be worked out, so it cannot be saved.'
} as const
