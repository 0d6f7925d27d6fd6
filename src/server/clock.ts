/** The server owns the time. */
export interface Clock {
  /** Now, ms since 1970. */
  now(): number
  /** Whether it stands still until moved. */
  readonly fixed: boolean
  /** Moves a clock that stands still. */
  moveTo(ms: number): void
}

/** Real time, or a clock that stands at a moment. */
export function createClock(fixedNowMs: number | null): Clock {
  let standing = fixedNowMs
  return {
    now: () => standing ?? Date.now(),
    fixed: fixedNowMs !== null,
    moveTo(ms) {
      if (standing === null) throw new Error('The real clock cannot be moved.')
      standing = ms
    }
  }
}
