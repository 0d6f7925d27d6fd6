export const BAKES = {
  beingWeighed: 'being weighed',
  levainOnWay: 'levain on its way',
  doughOnWay: 'dough on its way',
  bakesCouldNotBeOpened: 'The bakes could not be opened',
  bakes: 'Bakes',
  orderOfDay: 'The order of the day',
  newBake: 'New bake',
  noBakesYet: 'No bakes yet',
  sayWhatYouWantTo: 'Say what you want to bake and when you want bread; Olvent plans the levain.',
  onWay: 'On the way',
  inRecord: 'In the record',
  of: (length: number, total: number) => `${length} of ${total}`,
  showMore: 'Show more',
  toMix: (duration: string, word: string) => `${duration} to the mix${word}`
} as const
