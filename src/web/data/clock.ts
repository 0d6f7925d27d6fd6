import { useEffect } from 'react'
import { z } from 'zod'
import { create } from 'zustand'
import { clockSchema, ROUTES } from '../../contract'
import { ask } from './api'
import { keep, kept } from './storage'

/** The server owns the time; the window keeps how far its own is off, or the instant at which a fixed one stands. */
const clock = create<{ readonly offsetMs: number; readonly fixedMs: number | null; readonly shownMs: number }>(() => ({
  offsetMs: 0,
  fixedMs: null,
  shownMs: Date.now()
}))

/** The server's time now, ms. */
export function nowMs(): number {
  const { offsetMs, fixedMs } = clock.getState()
  return fixedMs ?? Date.now() + offsetMs
}

const TICK_MS = 5000
const tick = () => clock.setState({ shownMs: nowMs() })

/** Renews the time on the screen every few seconds, while the program is open. */
export function useTicking(): void {
  useEffect(() => {
    const ticking = setInterval(tick, TICK_MS)
    return () => clearInterval(ticking)
  }, [])
}

/** The server's time on the screen, ms. */
export const useNow = (): number => clock(({ shownMs }) => shownMs)

/** Asks the server for its time; half the way there and back is taken off. */
export async function syncClock(): Promise<void> {
  const asked = Date.now()
  const { now, fixed, lastEntryAt } = await ask(clockSchema, { method: 'GET', path: ROUTES.clock })
  const answered = Date.now()
  clock.setState({ fixedMs: fixed ? now : null, offsetMs: now - (asked + answered) / 2 })
  useClockDoubt.setState({ lastEntryMs: lastEntryAt !== null && now < lastEntryAt - TOO_EARLY_MS ? lastEntryAt : null })
  tick()
}

/** So far a clock may be set back by the network without a word. */
const TOO_EARLY_MS = 5 * 60_000
const BELIEVED = 'olvent.clockBelieved'

interface ClockDoubt {
  /** When the newest entry was made, where that is later than now; null while nothing is strange. */
  readonly lastEntryMs: number | null
  /** The newest entry of which it was said that the clock is right all the same. */
  readonly believedMs: number | null
}

/** Whether the server's clock can be right. */
export const useClockDoubt = create<ClockDoubt>(() => ({ lastEntryMs: null, believedMs: kept(BELIEVED, z.number()) }))

/** The baker says that the clock is right, and the entry was not. */
export function believeClock(lastEntryMs: number): void {
  keep(BELIEVED, lastEntryMs)
  useClockDoubt.setState({ believedMs: lastEntryMs })
}
