/** What is not there, or may not be, at the beginning of a sentence. */
export const THINGS = {
  address: 'This address',
  bake: 'This bake',
  calendar: 'This calendar',
  device: 'This device',
  entry: 'This entry',
  file: 'This file',
  recipe: 'This recipe',
  import: 'This import',
  ingredient: 'This ingredient',
  jar: 'This jar',
  picture: 'This picture',
  place: 'This place',
  program: 'This program',
  standIn: 'This stand-in',
  step: 'This step',
  vessel: 'This vessel'
} as const
