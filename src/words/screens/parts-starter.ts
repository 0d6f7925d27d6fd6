import type { StarterFlour, StarterTexture } from '../../answers'

export const STARTER_FIELDS = {
  nameOfJar: 'Name of the jar',
  starter: 'Starter',
  giveName: 'Give the jar a name, so that you can tell it from others later.',
  flour: 'Flour it lives on',
  texture: 'How thick it is',
  hydration: 'Hydration, if you know it',
  theHydration: 'Hydration',
  howMuch: 'How much is in it',
  howMuchFlakes: 'How much there is',
  notWeighed: 'not weighed',
  notKnown: 'not known',
  byEye: 'Or by eye, of a half-litre jar:',
  spoonful: 'a spoonful',
  quarterJar: 'a quarter of it',
  halfJar: 'half of it',
  nearlyFull: 'nearly full',
  fedAgo: 'Last fed',
  driedAgo: 'Dried',
  unit: 'Hours or days',
  hoursAgo: 'hours ago',
  daysAgo: 'days ago',
  thatWas: (when: string) => `That was ${when}.`,
  leftEmptyCold: 'Left empty, a week ago is assumed.',
  leftEmptyWarm: 'Left empty, a day ago is assumed.',
  ratio: 'Fed how, if you know it',
  ratioExample: 'for example 1:2:2',
  ratioLooks: 'Starter, flour, water: 1:2:2, or as weighed, 20 + 40 + 40. Each has to be more than 0.'
} as const

/** Flours a starter lives on, as bakers say it. */
export const STARTER_FLOUR_WORDS: Readonly<Record<StarterFlour, string>> = {
  'white wheat': 'white',
  'wholegrain wheat': 'wholegrain',
  rye: 'rye',
  'house blend': 'white with some rye',
  'ancient wheat': 'ancient wheat',
  'gluten-free': 'gluten-free'
}

/** Textures, as bakers say them. */
export const STARTER_TEXTURE_WORDS: Readonly<Record<StarterTexture, string>> = {
  liquid: 'like batter',
  thick: 'like paste',
  stiff: 'a firm ball',
  'in water': 'a ball in water'
}

export const CORRECT_JAR_SHEET = {
  correct: (name: string) => `Correct how ${name} came`,
  whatFollows: 'What you told when it came into the kitchen. Feeds, bakes and forecasts since then follow what you correct.',
  couldNotBeRead: (message: string) => `What you told could not be read: ${message}`,
  whereStood: 'Where it stood',
  save: 'Save',
  corrected: (name: string) => `${name} is corrected, and what followed with it.`
} as const
