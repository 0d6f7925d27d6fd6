export const TROUBLE_CARD = {
  tooSour: 'too sour',
  notSourEnough: 'not sour enough',
  planToBringBack: (name: string) => `A plan to bring ${name} back`,
  rankedByWhatKnownHow: (word: string) => `Ranked by what is known of ${word}: how it is usually fed, how warm it stands, how long it has waited.`,
  somethingWrong: 'Is something wrong?'
} as const
