import { useRef, useState } from 'react'

/** Pressed again sooner than this, a button was pressed twice, ms. */
const TWICE_MS = 800

/**
 * Does something once however often it is pressed while it is on its way.
 * @returns how to do it, and whether it is on its way
 */
export function useOnce<Args extends readonly unknown[]>(
  act: (...args: Args) => Promise<unknown>
): { readonly run: (...args: Args) => void; readonly busy: boolean } {
  const under = useRef(false)
  const [busy, setBusy] = useState(false)
  const run = (...args: Args) => {
    if (under.current) return
    under.current = true
    setBusy(true)
    // What waits for a server that is away is kept already: the next press is meant.
    const settled = act(...args).catch(() => undefined)
    const waited = new Promise((go) => setTimeout(go, TWICE_MS))
    void Promise.race([Promise.all([settled, waited]), new Promise((go) => setTimeout(go, 5 * TWICE_MS))]).then(() => {
      under.current = false
      setBusy(false)
    })
  }
  return { run, busy }
}
