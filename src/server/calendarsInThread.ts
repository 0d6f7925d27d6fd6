import { Worker } from 'node:worker_threads'
import { type Remote, wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter'
import type { Calendars } from './calendars'

/** A thread that nobody asks any more gives its memory back, ms. */
const IDLE_MS = 10 * 60_000

interface Thread {
  readonly worker: Worker
  readonly reckons: Remote<Pick<Calendars, 'file'>>
  /** Never comes while the thread runs. */
  readonly ended: Promise<never>
}

/**
 * Makes calendar files in a thread of its own, so that nobody waits for a kitchen full of bakes. It is begun when somebody asks.
 * @param script the thread's program
 */
export function calendarsInThread(script: string, dataFolder: string): Calendars {
  let thread: Thread | null = null
  let idle: ReturnType<typeof setTimeout> | undefined
  const stop = async () => {
    clearTimeout(idle)
    const there = thread
    thread = null
    await there?.worker.terminate()
  }
  const begin = (): Thread => {
    const worker = new Worker(script, { workerData: dataFolder })
    worker.unref()
    const ended = new Promise<never>((_, failed) => {
      worker.once('error', failed)
      worker.once('exit', () => failed(new Error('The calendar’s thread has ended.')))
    })
    ended.catch(() => {
      if (thread?.worker === worker) thread = null
    })
    return { worker, reckons: wrap(nodeEndpoint(worker)), ended }
  }
  return {
    async file(bakeId, nowMs) {
      thread ??= begin()
      clearTimeout(idle)
      idle = setTimeout(() => void stop().catch(() => undefined), IDLE_MS).unref()
      return await Promise.race([thread.reckons.file(bakeId, nowMs), thread.ended])
    },
    stop
  }
}
