import { useEffect, useEffectEvent, useRef, useState } from 'react'
import type { Device } from '../../../contract'
import { atBench, type Bench, type BenchEvent, type BenchView, benchView, type DueItem, newBench, type Pour } from '../../../core'
import { useReadings } from '../../data/live'
import { keepBase, keptBase } from './keptBase'

/** Nothing heard for so long: the scale is silent, ms. */
const SILENT_MS = 3000

/** A bench with its scale, as one window has it. */
export interface BenchHere extends BenchView {
  /** A scale is chosen, and says nothing. */
  readonly silent: boolean
  readonly battery: number | null
  /** What the scale itself shows, g. */
  readonly shown: number
  readonly happens: (event: BenchEvent) => void
}

/**
 * Weighs with a scale that is heard, or by hand.
 * @param item what is due; null: nothing any more
 * @param onPour told once for each pour that counts
 */
export function useBench(mode: 'bowl' | 'pieces', device: Device | null, item: DueItem | null, onPour: (pour: Pour) => void): BenchHere {
  const [bench, setBench] = useState(() => newBench(mode, item?.inBowl ?? 0, item === null ? null : keptBase(item.stamp)))
  // Two readings may come before the window is drawn again: each goes on from where the last one left the bench.
  const latest = useRef(bench)
  const [battery, setBattery] = useState<number | null>(null)
  const happens = (event: BenchEvent) => {
    if (item === null) return
    const before = latest.current
    const { bench: next, pour } = atBench(before, event, item)
    latest.current = next
    setBench(next)
    if (pour !== null) onPour(pour)
    // Readings come ten times a second; the base seldom changes.
    else if (next.bowlOn && next.scale.base !== null && !isSameStart(before, next)) keepBase(item.stamp, next.scale.base)
  }
  useReadings(device?.id ?? null, (reading) => {
    setBattery(reading.battery)
    happens({ type: 'read', reading: { ms: reading.ms, grams: reading.value }, resolution: device?.resolution ?? 1 })
  })
  const last = bench.scale.recent.at(-1)
  const fallSilent = useEffectEvent(() => happens({ type: 'silent' }))
  const lastMs = last?.ms
  const deviceId = device?.id
  useEffect(() => {
    if (deviceId === undefined) return fallSilent()
    if (lastMs === undefined) return
    const timer = setTimeout(() => fallSilent(), SILENT_MS)
    return () => clearTimeout(timer)
  }, [lastMs, deviceId])
  const view = item === null ? NOTHING_DUE : benchView(bench, item)
  return { ...view, silent: device !== null && !bench.heard, battery, shown: last?.grams ?? 0, happens }
}

const isSameStart = (a: Bench, b: Bench) => a.stamp === b.stamp && a.bowlOn === b.bowlOn && a.scale.base === b.scale.base

const NOTHING_DUE: BenchView = { live: null, still: null, typed: null, proposed: 0, slip: null, waitsForBowl: false, bowlAway: false }
