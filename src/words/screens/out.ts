export const OUT_CARD = {
  iAmOutUntil: 'I’m out until …',
  orAnotherTime: 'Or another time',
  hour: 'Hour you are back',
  minute: 'Minute you are back',
  carryOn: (place: string) => `Carry on: ${place}`,
  hold: (place: string) => `Hold it: ${place}`,
  chill: (place: string) => `Chill it: ${place}`,
  whereItStands: 'where it stands',
  notYet: (back: string, chance: string, from: string) => `Not yet ready at ${back}: ${chance} chance that it is. Left there, from about ${from}.`,
  notYetUnknown: (back: string) => `Not yet ready at ${back}.`,
  ready: (back: string, chance: string, until: string) => `Ready at ${back}: ${chance} chance. It stays so until about ${until}.`,
  past: (back: string, chance: string, until: string) => `Ready until about ${until}, so past its best by ${back}: ${chance} chance that it’s still ready.`,
  doughNotYet: (back: string, gas: string, wanted: string, from: string) => `${gas} at ${back}, of ${wanted} wanted; there at about ${from}.`,
  doughNever: (back: string, gas: string, wanted: string) => `${gas} at ${back}, of ${wanted} wanted.`,
  doughReady: (back: string, gas: string, from: string) => `${gas} at ${back}: as far as wanted at about ${from}, and still good.`,
  doughPast: (back: string, gas: string, from: string) => `${gas} at ${back}: too far. It is as far as wanted at about ${from}.`,
  iHavePutItThere: 'I have put it there',
  iHavePutItIn: (place: string) => `I have put it there: ${place}`,
  best: 'suits best'
} as const

export const OVERPROOFED_CARD = {
  tooFar: 'It has gone too far',
  mayBeTooFar: 'It may have gone too far',
  whatCanStillBeMade: 'What it can still be:',
  bakeNow: 'Bake it now',
  bakeNowSays: (minutes: number) => `Oven on, in after ${minutes} min, hardly any slash. It rises little in the oven: flat, open, tangy, and good to eat.`,
  tin: 'Into a tin',
  tinSays: (hours: string) => `Shape it gently into an oiled tin, let it rise about ${hours} more, and bake. The tin holds up what it no longer can.`,
  tinNow: 'Shape it gently into an oiled tin and bake at once. The tin holds up what it no longer can.',
  flatbread: 'Flatbread',
  flatbreadSays: 'Stretch it on oil, press dents into it, and bake it very hot for about 15 min. It needs no strength, so it loses nothing.',
  reshape: 'Shape it anew',
  reshapeSays: (hours: string) => `Knock it back, shape it tightly, and let it rise once more, about ${hours} where it stands. A denser, tangier crumb.`,
  reshapeNo: 'Not this one: there is too little food left in it to rise again.'
} as const
