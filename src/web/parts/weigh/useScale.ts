import { useCallback, useEffect, useState } from 'react'
import type { Device, LiveReading } from '../../../contract'
import { beginItem, readScale, type ScaleState, SILENT_SCALE } from '../../../core'
import { useReadings } from '../../data/live'

/** Nothing heard for so long: the scale is silent, ms. */
const SILENT_MS = 3000

/** A scale as this bench reads it. */
export interface ScaleView {
  readonly state: ScaleState
  readonly battery: number | null
  readonly silent: boolean
  /** From now on another item goes in. */
  readonly begin: () => void
}

/**
 * Follows a scale; silent without one.
 * @param base what it showed before the item that is due, where that is known already
 */
export function useScale(device: Device | null, base: number | null): ScaleView {
  const [state, setState] = useState<ScaleState>(() => ({ ...SILENT_SCALE, base, stood: base }))
  const [battery, setBattery] = useState<number | null>(null)
  const [silent, setSilent] = useState(true)
  const resolution = device?.resolution ?? 1
  const hear = useCallback(
    (reading: LiveReading) => {
      setState((before) => readScale(before, { ms: reading.ms, grams: reading.value }, resolution))
      setBattery(reading.battery)
      setSilent(false)
    },
    [resolution]
  )
  useReadings(device?.id ?? null, hear)
  const last = state.recent.at(-1)?.ms
  useEffect(() => {
    if (last === undefined) return
    const timer = setTimeout(() => setSilent(true), SILENT_MS)
    return () => clearTimeout(timer)
  }, [last])
  const begin = useCallback(() => setState(beginItem), [])
  return { state, battery, silent: silent || device === null, begin }
}
