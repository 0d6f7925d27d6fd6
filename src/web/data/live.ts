import { useEffect, useEffectEvent } from 'react'
import { mutate } from 'swr'
import { create } from 'zustand'
import { type Live, type LiveReading, liveSchema, ROUTES } from '../../contract'
import { THIS_WINDOW } from './api'

const hearers = new Set<(message: Live) => void>()
let line: EventSource | null = null
/** What each device last said, by its id. */
const latest = create<Readonly<Record<string, LiveReading>>>(() => ({}))

function connect(): void {
  if (line !== null) return
  line = new EventSource(ROUTES.live)
  line.onmessage = ({ data }: MessageEvent<string>) => {
    const message = liveSchema.safeParse(JSON.parse(data))
    if (!message.success) return
    if (message.data.type === 'reading') latest.setState({ [message.data.device]: message.data })
    for (const hear of hearers) hear(message.data)
  }
}

/** @returns ends the listening */
function hear(hearer: (message: Live) => void): () => void {
  connect()
  hearers.add(hearer)
  return () => hearers.delete(hearer)
}

/** Several writes of another window are followed by one look, ms. */
const GATHER_MS = 150

/** Asks again for what is shown whenever another window has written. */
export function useOthersChanges(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const end = hear((message) => {
      if (message.type !== 'changed' || message.window === THIS_WINDOW) return
      timer ??= setTimeout(() => {
        timer = undefined
        void mutate((key) => typeof key === 'string' && key.startsWith('/api/'))
      }, GATHER_MS)
    })
    return () => {
      end()
      clearTimeout(timer)
    }
  }, [])
}

/** Hears the readings of one device. */
export function useReadings(deviceId: string | null, hearer: (reading: LiveReading) => void): void {
  const heard = useEffectEvent(hearer)
  useEffect(
    () =>
      deviceId === null
        ? undefined
        : hear((message) => {
            if (message.type === 'reading' && message.device === deviceId) heard(message)
          }),
    [deviceId]
  )
}

/** What a device last said; null while it has said nothing. */
export function useLatest(deviceId: string | null): LiveReading | null {
  useEffect(connect, [])
  return latest((readings) => readings[deviceId ?? ''] ?? null)
}
