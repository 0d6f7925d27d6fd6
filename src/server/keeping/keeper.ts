import { mkdir } from 'node:fs/promises'
import { isAbsolute, join } from 'node:path'
import { millisecondsInHour } from 'date-fns/constants'
import type { Logger } from 'pino'
import { type CopyReason, isoOf, type WireCopies } from '../../contract'
import { REFUSE_KEEPING } from '../../words/refusals/keeping'
import type { Clock } from '../clock'
import type { Database } from '../db/connect'
import { chooseCopiesFolder, copiesFolderOf, copiesIn, takeCopy } from '../db/copies'
import { DATABASE_FILE } from '../db/health'
import { Problem } from '../problems'
import { findKitchen } from '../records/kitchen/kitchens'
import { thinOldReadings } from '../records/kitchen/readings'
import { readWork, writeWork } from '../records/work'
import { copyPictures, PICTURES_FOLDER, sweepPictures } from './pictureFiles'

const DAY_MS = 24 * millisecondsInHour

/** Keeps verified copies of a kitchen: one on each day it is used, and on request. */
export interface Keeper {
  told(): Promise<WireCopies>
  /** @throws the error of the disk; the next try is made by itself */
  copy(reason: CopyReason): Promise<void>
  /** Has copies kept somewhere else from now on, beginning with one. @throws Problem where that cannot be */
  moveTo(folder: string): Promise<void>
  /** Does what is due; to be called now and then. */
  tick(): Promise<void>
  stop(): Promise<void>
}

export interface KeeperParts {
  readonly database: Database
  readonly dataFolder: string
  readonly clock: Clock
  readonly log: Logger
}

/** Looks every hour whether a copy is due. */
export function createKeeper({ database, dataFolder, clock, log }: KeeperParts): Keeper {
  let failed: WireCopies['failed'] = null
  let writesThen = -1
  let busy: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const next = busy.then(work)
    busy = next.catch(() => undefined)
    return next
  }
  const copyTo = async (folder: string, reason: CopyReason) => {
    const writes = database.writes()
    try {
      await takeCopy(join(dataFolder, DATABASE_FILE), folder, reason, clock.now())
      await copyPictures(join(dataFolder, PICTURES_FOLDER), join(folder, PICTURES_FOLDER))
      failed = null
      writesThen = writes
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error)
      failed = { at: isoOf(clock.now()), why }
      log.error({ err: error }, 'copy failed')
      throw error
    }
  }
  const keeper: Keeper = {
    async told() {
      const folder = await copiesFolderOf(dataFolder)
      const copies = await copiesIn(folder)
      return { folder, copies: copies.map(({ takenAtMs, reason, bytes }) => ({ takenAt: isoOf(takenAtMs), reason, bytes })), failed }
    },
    copy: (reason) => inTurn(async () => copyTo(await copiesFolderOf(dataFolder), reason)),
    moveTo: (folder) =>
      inTurn(async () => {
        if (!isAbsolute(folder))
          throw new Problem(400, 'not understood', REFUSE_KEEPING.giveWholePathFolderBeginning, { fields: { folder: REFUSE_KEEPING.thisNotWholePath } })
        await mkdir(folder)
          .catch((error: NodeJS.ErrnoException) => {
            if (error.code !== 'EEXIST') throw error
          })
          .then(() => copyTo(folder, 'asked'))
          .catch((error: Error) => {
            throw new Problem(400, 'not understood', REFUSE_KEEPING.noCopyCouldBeMade(error.message), {
              fields: { folder: error.message }
            })
          })
        await chooseCopiesFolder(dataFolder, folder)
      }),
    tick: () =>
      inTurn(async () => {
        const work = readWork(database, clock.now())
        const kitchen = await findKitchen(work)
        // The made-up kitchen can be laid again at any time.
        if (kitchen === null || kitchen.demo || database.writes() === writesThen) return
        const folder = await copiesFolderOf(dataFolder)
        const newest = (await copiesIn(folder))[0]
        const sinceMs = newest === undefined ? Number.POSITIVE_INFINITY : clock.now() - newest.takenAtMs
        const isSameDay = newest !== undefined && Math.floor(newest.takenAtMs / DAY_MS) === Math.floor(clock.now() / DAY_MS)
        if (isSameDay && sinceMs >= 0 && sinceMs < DAY_MS) return
        await copyTo(folder, 'day').catch(() => undefined)
        await sweepPictures(work, dataFolder)
        await thinOldReadings(work, (part) => writeWork(database, clock.now(), part))
        // What could not be done in the background is tried again; it never ends the program.
      }).catch((error: unknown) => log.error({ err: error }, 'upkeep failed')),
    async stop() {
      clearInterval(timer)
      await busy
    }
  }
  const timer = setInterval(() => void keeper.tick(), millisecondsInHour)
  timer.unref()
  return keeper
}
