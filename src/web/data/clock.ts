import { useSyncExternalStore } from 'react'
import { clockSchema, ROUTES } from '../../contract'
import { ask } from './api'

/** The server owns the time; the window keeps how far its own is off, or the instant at which a fixed one stands. */
let offsetMs = 0
let fixedMs: number | null = null

/** The server's time now, ms. */
export const nowMs = () => fixedMs ?? Date.now() + offsetMs

const TICK_MS = 5000
let shown = nowMs()
const listeners = new Set<() => void>()
let ticking: ReturnType<typeof setInterval> | undefined

function tick(): void {
  shown = nowMs()
  for (const listener of listeners) listener()
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  ticking ??= setInterval(tick, TICK_MS)
  return () => {
    listeners.delete(listener)
    if (listeners.size > 0) return
    clearInterval(ticking)
    ticking = undefined
  }
}

/** The server's time on the screen, renewed every few seconds, ms. */
export function useNow(): number {
  return useSyncExternalStore(subscribe, () => shown)
}

/** Asks the server for its time; half the way there and back is taken off. */
export async function syncClock(): Promise<void> {
  const asked = Date.now()
  const { now, fixed } = await ask(clockSchema, { method: 'GET', path: ROUTES.clock })
  const answered = Date.now()
  fixedMs = fixed ? now : null
  offsetMs = now - (asked + answered) / 2
  tick()
}
