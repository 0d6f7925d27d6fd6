import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { QueryTypes, Sequelize, Transaction } from 'sequelize'
import sqlite3 from 'sqlite3'
import { DATABASE_FILE, seal } from './health'
import { migrate } from './migrate'
import { defineModels, type Models } from './models'

/** The open database. */
export interface Database {
  readonly sequelize: Sequelize
  readonly models: Models
  /** How many writes there have been: what was worked out holds until this changes. */
  writes(): number
  /** Runs a write; writes wait for each other, so that SQLite never answers "busy". Rolled back when it throws. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>
  /** Runs reads that belong together: all of them see the kitchen of one moment, whatever is written meanwhile. */
  read<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>
  /** Runs something that writes over a connection of its own, while no other write is under way. */
  alone<T>(work: () => Promise<T>): Promise<T>
  /** Waits for writes to end, then closes the file and notes how it is left. */
  close(): Promise<void>
}

/** Opens the database of a data folder that another thread of this process has open, to read it only. */
export function openForReading(dataFolder: string): Models {
  const dialectOptions = { mode: sqlite3.OPEN_READONLY }
  return defineModels(new Sequelize({ dialect: 'sqlite', storage: join(dataFolder, DATABASE_FILE), logging: false, dialectOptions }))
}

/**
 * Opens the database of a data folder, making and migrating it where needed.
 * @param dataFolder made when it is missing
 */
export async function openDatabase(dataFolder: string): Promise<Database> {
  await mkdir(dataFolder, { recursive: true })
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(dataFolder, DATABASE_FILE), logging: false, transactionType: Transaction.TYPES.IMMEDIATE })
  await sequelize.query('PRAGMA journal_mode = WAL', { type: QueryTypes.SELECT })
  await migrate(sequelize)
  const models = defineModels(sequelize)
  let last: Promise<unknown> = Promise.resolve()
  let writes = 0
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const next = last.then(work).finally(() => {
      writes++
    })
    last = next.catch(() => undefined)
    return next
  }
  return {
    sequelize,
    models,
    writes: () => writes,
    write: (work) => inTurn(() => sequelize.transaction(work)),
    read: (work) => sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, work),
    alone: inTurn,
    async close() {
      await last
      await sequelize.close()
      await seal(dataFolder)
    }
  }
}
