import { EventEmitter } from 'node:events'
import type { Live } from '../../contract'

/** Where everything that is live meets: devices and writes speak, open windows listen. */
export interface Hub {
  /** @returns ends the listening */
  subscribe(listener: (message: Live) => void): () => void
  publish(message: Live): void
  /** How many listen; told whenever that changes. */
  onListeners(told: (count: number) => void): void
}

/** Windows of a household, with room to spare. */
const MOST_LISTENERS = 500

/** A hub of its own for each server. */
export function createHub(): Hub {
  const emitter = new EventEmitter().setMaxListeners(MOST_LISTENERS)
  const tell = () => emitter.emit('listeners', emitter.listenerCount('live'))
  return {
    subscribe(listener) {
      emitter.on('live', listener)
      tell()
      return () => {
        emitter.off('live', listener)
        tell()
      }
    },
    publish: (message) => void emitter.emit('live', message),
    onListeners: (told) => void emitter.on('listeners', told)
  }
}
