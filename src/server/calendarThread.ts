import { parentPort, workerData } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter'
import { openForReading } from './db/connect'
import { calendarFile } from './records/calendar/calendar'

/** Reckons calendars beside the server, over a connection of its own that only reads. */
const models = openForReading(workerData as string)

if (parentPort !== null) expose({ file: (bakeId: string | null, nowMs: number) => calendarFile({ models, nowMs }, bakeId) }, nodeEndpoint(parentPort))
