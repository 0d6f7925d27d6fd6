import type { DeviceKind } from '../contract'
import type { Format } from '../core'

/** What a kind of device is called. */
export const DEVICE_WORDS: Readonly<Record<DeviceKind, string>> = {
  scale: 'scale',
  probe: 'probe',
  level: 'level sensor',
  room: 'room sensor',
  'pH meter': 'pH meter'
}

/** The same at the head of a field. */
export const DEVICE_LABELS: Readonly<Record<DeviceKind, string>> = {
  scale: 'Scale',
  probe: 'Probe',
  level: 'Level sensor',
  room: 'Room sensor',
  'pH meter': 'pH meter'
}

/** What a device shows: "77 g", "24.6 °C", "85 mm", "pH 4.12". */
export function readingWords({ kind, resolution }: { readonly kind: DeviceKind; readonly resolution: number }, value: number, format: Format): string {
  if (kind === 'scale') return format.mass(value, resolution)
  if (kind === 'level') return `${Math.round(value)}\u202fmm`
  return kind === 'pH meter' ? `pH\u202f${value.toFixed(2)}` : format.temperature(value, 1)
}
