import { type ComponentType, lazy } from 'react'

/** A room whose code did not come is asked for again after these, ms. */
const AGAIN_AFTER_MS = [300, 1500]

/** Fetches code, more than once where it does not come. @throws what the last try threw */
export async function fetched<T>(load: () => Promise<T>, waits: readonly number[] = AGAIN_AFTER_MS): Promise<T> {
  const [wait, ...more] = waits
  if (wait === undefined) return load()
  return load().catch(async () => {
    await new Promise((go) => setTimeout(go, wait))
    return fetched(load, more)
  })
}

/**
 * A room that is fetched when it is first opened. One that could not be fetched is asked for anew the next time it is opened.
 * @param load its code
 */
export function roomOf(load: () => Promise<ComponentType>): ComponentType {
  const make = () =>
    lazy(() =>
      fetched(load).then(
        (room) => ({ default: room }),
        (error: unknown) => {
          Room = make()
          throw error
        }
      )
    )
  let Room = make()
  // Not a component of its own: React sees the same one until it is made anew.
  return () => <Room />
}
