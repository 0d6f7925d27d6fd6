export const ASK_WHEN = {
  save: 'Save',
  whenWas: 'When was it?'
} as const

export const MARK_MENU = {
  doneMinAgoAt: (minutes: number, time: string) => `Done ${minutes} min ago, at ${time}`,
  doneAtAnotherTime: 'Done at another time …',
  leftOut: 'Left out'
} as const

export const MARK_STEP = {
  doneEarlierOrLeftOut: 'Done earlier, or left out',
  done: 'Done',
  begin: 'Begin',
  begunAt: (time: string) => `begun ${time}`
} as const

export const USE_MARK_STEP = {
  begunAt: (time: string) => `Begun at ${time}.`,
  doneAt: (time: string, title: string) => `Done at ${time}. ${title}.`,
  leftOut: (title: string) => `Left out. ${title}.`
} as const
