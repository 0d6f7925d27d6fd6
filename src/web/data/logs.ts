import { type Remote, wrap } from 'comlink'
import useSWR from 'swr'
import type { readReadings } from '../../core'
import { LOGS } from '../../words/screens/data'
import type { LogReader } from '../workers/logs.worker'
import { ONCE } from './desk'

let worker: Remote<LogReader> | null = null

/** The worker that reads logs and calendars; one for the window, begun when it is needed. */
export function logReader(): Remote<LogReader> {
  worker ??= wrap<LogReader>(new Worker(new URL('../workers/logs.worker.ts', import.meta.url), { type: 'module' }))
  return worker
}

/** Largest file that is read, bytes: a reading a minute for two years. */
export const MOST_LOG_BYTES = 40_000_000

/** The text of a file. @throws Error with a sentence when it is too large */
export async function textOf(file: File): Promise<string> {
  if (file.size > MOST_LOG_BYTES) throw new Error(LOGS.largerThanMbBringIn(file.name, MOST_LOG_BYTES / 1_000_000))
  return file.text()
}

/** A log that was chosen or typed. */
export interface Log {
  /** Another one for every text: long texts are no keys. */
  readonly id: string
  readonly text: string
}

/** What a log of temperatures holds; null while there is none, undefined while it is read. */
export function useLog({ id, text }: Log, timeZone: string): ReturnType<typeof readReadings> | null | undefined {
  const empty = text.trim() === ''
  const { data } = useSWR(empty ? null : ['log', id, timeZone], async () => await logReader().readReadings(text, timeZone), {
    ...ONCE,
    keepPreviousData: false
  })
  return empty ? null : data
}
