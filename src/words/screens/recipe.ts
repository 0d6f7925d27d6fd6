export const FORMULA_GRID = {
  dough: 'Dough',
  grams: (name: string) => `${name}, grams`,
  move: (name: string) => `Move ${name}`
} as const

export const LINE_DETAILS = {
  standsBeforeMix: 'Stands before the mix',
  toWeighAtMix: 'to weigh at the mix',
  weighedNow: 'It is weighed now',
  scaleAllToThis: 'Scale all to this',
  anotherInstead: 'Another instead',
  up: 'Up',
  down: 'Down',
  takeOut: 'Take it out',
  thatCountsAs: 'that counts as 100 %',
  flourInAll: 'of flour in all',
  flourToBeAdded: 'of flour to be added',
  ofThe: (percent: string, mass: string, of: string) => `${percent} of the ${mass} ${of}`,
  goesIntoPreFerments: 'goes into the pre-ferments',
  comesWithAlready: (name: string) => `comes with ${name} already`
} as const

export const MIX_EDITOR = {
  namePreFerment: 'Name of the pre-ferment',
  parts: 'parts',
  weigh: 'weigh',
  notInThisKitchenAny: 'Not in this kitchen any more',
  parts2: (name: string) => `${name}, parts`,
  takeOut: (name: string) => `Take ${name} out`,
  addTo: 'Add to it',
  scaldWithin: 'A scald within',
  addTo2: (name: string) => `Add to ${name}`
} as const

export const RECIPE_STATION = {
  hydration: 'Hydration',
  salt: 'Salt',
  kind: 'Kind',
  ingredient: 'Ingredient',
  preFermentOrSoaker: 'Pre-ferment or soaker',
  levain: 'Levain',
  readRecipe: 'Read a recipe',
  autolyseFlourAndWaterRest: 'Autolyse: flour and water rest first',
  waterHeldBack: 'Water held back',
  dough: 'The dough',
  recipes: 'Recipes',
  changingKeepsGrams: 'Changing it keeps the grams.',
  howWritten: 'How it is written',
  goToLevain: 'Go to Levain',
  addIngredient: 'Add an ingredient',
  anotherInstead: 'Another instead'
} as const

export const SIZE_CARD = {
  roundUp: 'Round everything up',
  roundUpSays: 'Each weight goes up to the next step of your scale, never down.',
  pieces: 'Pieces',
  flourInEachPiece: 'flour in each piece',
  flourInEach: 'Flour in each',
  allDough: 'all the dough',
  flourToBeAdded: 'flour to be added',
  allFlourLevainsToo: 'all flour, the levain’s too',
  ripeLevainAtHand: 'ripe levain at hand',
  oneIngredientAtHand: 'one ingredient at hand',
  sizeDoughBy: 'Size the dough by',
  whichOne: 'Which one',
  thisWord: 'This',
  howMuch: 'How much',
  numberPiecesSize: (i: number) => `Number of pieces, size ${i}`,
  numberPieces: 'The number of pieces',
  doughInEach: 'Dough in each',
  eachBaked: 'Each, baked',
  weightPieceSize: (i: number) => `Weight of a piece, size ${i}`,
  piece: 'A piece',
  shapeSize: (i: number) => `Shape of size ${i}`,
  takeAwaySize: (i: number) => `Remove size ${i}`,
  anotherSize: 'Another size',
  theseAreBakedWeights: 'These are baked weights',
  sticksToBowlHands: 'Sticks to bowl, hands',
  whatSticksToBowlAnd: 'What sticks to bowl and hands',
  lostInOven: 'Lost in the oven',
  whatLost: 'What is lost',
  doughInG: 'Dough in it, g',
  eachG: 'Each, g',
  tinHoldsMl: 'Tin holds, ml',
  acrossCm: 'Across, cm',
  shape: 'Shape',
  size: 'The size',
  take: (mass: string) => `Take ${mass}`,
  piecesWord: 'pieces'
} as const

export const TRUTH_CARD = {
  glutenFree: 'Marked gluten-free: flours, malts, starters and old levain with gluten are refused.',
  glutenIn: (names: string) => `Marked gluten-free, and ${names} would bring gluten into it. Take it out, or change the kind of dough.`,
  hydrationAsked: (percent: string) => `hydration, ${percent} asked`,
  saltAsked: (percent: string) => `salt, ${percent} asked`,
  noAllergensList: 'None of the listed allergens.',
  howThatCountAsCame: (mass: string) => `How the ${mass} that count as 100 % are worked out`,
  doughSumAllShares: (mass: string, divisor: string, mass2: string) => `${mass} of dough ÷ ${divisor} = ${mass2}. ${divisor} is the sum of all shares.`,
  whatReallyIn: 'What is really in it',
  proteinFloursAbout: (percent: string) => `Protein of its flours about ${percent}.`,
  theyDrinkThanWhiteWheat: (word: string, percent: string) => ` They drink ${word} than white wheat: it feels like ${percent} of water.`,
  preFermentedFlour: 'pre-fermented flour',
  contains: (allergens: string) => `Contains ${allergens}.`
} as const

export const GRID_LINES = {
  notInThisKitchenAny: 'Not in this kitchen any more',
  contains: (told: string) => `contains ${told}`,
  andAhead: (mass: string) => `and ${mass} ahead`,
  flourCountedAbove: 'of the flour; counted above',
  waterCountedAbove: 'its water is counted above',
  untilWeighed: (estimate: number) => `± ${estimate} % until weighed`
} as const
