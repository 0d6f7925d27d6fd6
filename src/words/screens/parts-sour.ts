export const SOUR_CARD = {
  howSour: 'How sour it gets',
  loaf: (pH: string, tta: string) => `Into the oven the loaf has a pH of ${pH} and a TTA of ${tta}.`,
  levain: (pH: string, tta: string) => `When it is ready it has a pH of ${pH} and a TTA of ${tta}.`,
  thatIs: (beside: string) => ` That is ${beside}.`,
  tangier: 'tangier',
  milder: 'milder',
  nothing: 'Nothing here changes it by as much as you would taste.',
  meterKnows: 'A pH meter knows better. Taste is vinegar as well as milk: firmer, cooler and longer is sharper.'
} as const
