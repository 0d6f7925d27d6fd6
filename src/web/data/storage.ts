import type { z } from 'zod'
import { create } from 'zustand'

/** Whether this browser can keep anything. */
export const useStorage = create<{ readonly works: boolean }>(() => ({ works: true }))

/** What could not be kept stays here until the window closes. */
const held = new Map<string, string>()
/** What can be worked out again makes room first. */
const CACHES = 'olvent.belief.'

const SHELVES = { lasting: () => localStorage, window: () => sessionStorage }
type Shelf = keyof typeof SHELVES

/** Runs what may be refused: a browser that keeps nothing throws as soon as its storage is named. */
function tried<T>(what: () => T): { readonly value: T } | null {
  try {
    return { value: what() }
  } catch {
    return null
  }
}

/**
 * What is kept under a key.
 * @returns null when there is nothing, or nothing that can be read
 */
export function kept<Schema extends z.ZodType>(key: string, schema: Schema, shelf: Shelf = 'lasting'): z.output<Schema> | null {
  const text = held.get(key) ?? tried(() => SHELVES[shelf]().getItem(key))?.value ?? null
  if (text === null) return null
  const parsed = tried(() => schema.parse(JSON.parse(text)))
  return parsed === null ? null : parsed.value
}

/** Keeps something; where the browser cannot, it stays in this window and that is said once. */
export function keep(key: string, value: unknown, shelf: Shelf = 'lasting'): void {
  const text = JSON.stringify(value)
  const put = () => tried(() => SHELVES[shelf]().setItem(key, text))
  if (put() !== null || (dropCaches() && put() !== null)) {
    held.delete(key)
    return
  }
  held.set(key, text)
  useStorage.setState({ works: false })
}

/** Keeps nothing under a key any more. */
export function drop(key: string, shelf: Shelf = 'lasting'): void {
  held.delete(key)
  tried(() => SHELVES[shelf]().removeItem(key))
}

/** @returns whether there was anything to drop */
function dropCaches(): boolean {
  const caches = tried(() => Object.keys(localStorage).filter((key) => key.startsWith(CACHES)))?.value ?? []
  for (const key of caches) tried(() => localStorage.removeItem(key))
  return caches.length > 0
}
