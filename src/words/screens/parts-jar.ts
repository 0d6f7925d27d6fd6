export const JAR_CARD = {
  to: (nameOf: string, dayTime: string) => `, to ${nameOf} ${dayTime}`,
  began: (word: string, ago: string) => ` · ${word} ${ago}`,
  about: (mass: string) => `about ${mass}`,
  partlyGuessed: ' (partly a guess)',
  asleep: 'Asleep',
  threeDaysWake: 'three days wake it',
  noSpare: 'no spare of it',
  goOn: 'Go on',
  goOnWith: (title: string) => `Go on with ${title}`,
  wake: 'Wake',
  wake2: (name: string) => `Wake ${name}`,
  feed: 'Feed',
  feed2: (name: string) => `Feed ${name}`
} as const

export const JAR_LINE_UP = {
  jars: 'Jars',
  showMore: (drawn: number, length: number) => `Show ${drawn} more of ${length}`
} as const
