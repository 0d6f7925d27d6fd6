import { useCallback } from 'react'
import { awakeAt } from '../../../answers'
import type { Awake } from '../../../core'
import { useKitchen } from '../../data/kitchen'

/** When the baker is up next, from a moment on: no step of a program is due in their sleep. */
export function useAwake(): Awake {
  const { kitchen } = useKitchen()
  return useCallback((ms) => awakeAt(kitchen, ms), [kitchen])
}
