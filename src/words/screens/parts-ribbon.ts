export const RIBBON = {
  riseRibbonFromTo: (dayTime: string, dayTime2: string, describeRibbon: string) => `Rise ribbon from ${dayTime} to ${dayTime2}. ${describeRibbon}`,
  asleep: 'asleep',
  ready: (percent: string) => ` · ${percent} ready`
} as const

export const DESCRIBE = {
  mixed: (dayTime: string) => `mixed ${dayTime}`,
  fed: (at: string) => `fed ${at}`,
  toBeBuilt: (at: string) => `to be built ${at}`,
  otherPot: 'its levain comes out of another pot',
  readyToMixTo: (at: string, at2: string) => `, ready to mix ${at} to ${at2}`,
  lastSeenAtOn: (rise: string, dayTime: string) => `, last seen at ${rise} on ${dayTime}`,
  thatNow: ', that is now',
  doughGoesIntoOvenAnd: (at: string, at2: string) => `; its dough goes into the oven ${at} and comes out ${at2}`
} as const

export const HILLS = {
  levain: (name: string) => `${name} levain`
} as const
