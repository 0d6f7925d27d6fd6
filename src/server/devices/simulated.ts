import { millisecondsInHour } from 'date-fns/constants'
import type { DeviceDeed, DeviceKind, WireDevice } from '../../contract'
import {
  EMPTY_SCALE,
  keysOf,
  noisyHundredth,
  noisyTenth,
  STORED_PH,
  seededRandom,
  shownBy,
  stepMeter,
  stepProbe,
  stepScale,
  touchScale,
  trueLevel
} from '../../core'
import type { Clock } from '../clock'
import type { DeviceAdapter } from './adapter'
import type { Hub } from './hub'

const TICK_MS = 100
/** Every so many ticks the slow ones speak. */
const SLOW_TICKS = 10
const ROOM_C = 22

/** The stand-ins that ship: always the same five. */
export const SIMULATED: Readonly<Record<DeviceKind, string>> = {
  scale: '5ca1e000-0000-4000-8000-000000000001',
  probe: '5ca1e000-0000-4000-8000-000000000002',
  level: '5ca1e000-0000-4000-8000-000000000003',
  room: '5ca1e000-0000-4000-8000-000000000004',
  'pH meter': '5ca1e000-0000-4000-8000-000000000005'
}

const NAMES: Readonly<Record<DeviceKind, string>> = {
  scale: 'Stand-in scale',
  probe: 'Stand-in probe',
  level: 'Stand-in level sensor',
  room: 'Stand-in room sensor',
  'pH meter': 'Stand-in pH meter'
}
const RESOLUTION: Readonly<Record<DeviceKind, number>> = { scale: 1, probe: 0.1, level: 1, room: 0.1, 'pH meter': 0.01 }

/** Scale, probe, level and room sensor and pH meter that behave like real ones; a small panel moves what they measure. */
export function simulatedDevices(hub: Hub, clock: Clock, random = seededRandom(7)): DeviceAdapter {
  let scale = EMPTY_SCALE
  let [roomC, dippedC, probeC] = [ROOM_C, ROOM_C, ROOM_C]
  /** Until it is put into something a meter shows nothing. */
  let wet: { readonly shows: number; readonly pH: number } | null = null
  let filled: { readonly level: (hours: number) => number; readonly atMs: number } | null = null
  let timer: ReturnType<typeof setInterval> | undefined
  let ticks = 0
  const speak = (kind: DeviceKind, value: number, battery: number | null = null) =>
    hub.publish({ type: 'reading', device: SIMULATED[kind], kind, ms: clock.fixed ? clock.now() + ticks * TICK_MS : clock.now(), value, battery })
  const tick = () => {
    ticks++
    scale = stepScale(scale, TICK_MS / 1000, random)
    probeC = stepProbe(probeC, dippedC, TICK_MS / 1000)
    const shown = shownBy(scale, random, RESOLUTION.scale)
    if (shown !== null) speak('scale', shown, scale.battery)
    if (ticks % SLOW_TICKS !== 0) return
    speak('probe', noisyTenth(probeC, random))
    speak('room', noisyTenth(roomC, random))
    if (wet !== null) {
      wet = { ...wet, shows: stepMeter(wet.shows, wet.pH, (TICK_MS * SLOW_TICKS) / 1000) }
      speak('pH meter', noisyHundredth(wet.shows, random))
    }
    if (filled !== null) speak('level', Math.round(filled.level((clock.now() - filled.atMs) / millisecondsInHour)))
  }
  return {
    devices: () =>
      keysOf(SIMULATED).map(
        (kind): WireDevice => ({ id: SIMULATED[kind], name: NAMES[kind], kind, simulated: true, placeId: null, resolution: RESOLUTION[kind], seenAt: null })
      ),
    open() {
      timer ??= setInterval(tick, TICK_MS)
    },
    close() {
      clearInterval(timer)
      timer = undefined
    },
    touch(deviceId, deed) {
      const known = deviceId === deviceOf(deed)
      if (known) act(deed)
      return known
    }
  }

  function act(deed: DeviceDeed): void {
    if (deed.do === 'warm') roomC = deed.tempC
    else if (deed.do === 'dip') dippedC = deed.tempC
    else if (deed.do === 'immerse') wet = { shows: wet?.shows ?? STORED_PH, pH: deed.pH }
    else if (deed.do === 'fill') filled = { level: trueLevel(deed.levelMm, roomC), atMs: clock.now() }
    else scale = touchScale(scale, deed)
  }
}

/** Which of them a deed is for. */
function deviceOf(deed: DeviceDeed): string {
  if (deed.do === 'warm') return SIMULATED.room
  if (deed.do === 'dip') return SIMULATED.probe
  if (deed.do === 'immerse') return SIMULATED['pH meter']
  return deed.do === 'fill' ? SIMULATED.level : SIMULATED.scale
}
