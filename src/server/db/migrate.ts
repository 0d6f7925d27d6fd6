import { type QueryInterface, QueryTypes, type Sequelize } from 'sequelize'
import * as kitchen from './migrations/0001-kitchen'
import * as formulas from './migrations/0002-formulas'
import * as fermentation from './migrations/0003-fermentation'
import * as shelf from './migrations/0004-shelf'
import * as days from './migrations/0005-days'
import * as devices from './migrations/0006-devices'
import * as writes from './migrations/0007-writes'
import * as readings from './migrations/0008-readings'
import * as access from './migrations/0009-access'
import * as changes from './migrations/0010-changes'
import * as imports from './migrations/0011-imports'
import * as additions from './migrations/0012-additions'
import * as doughs from './migrations/0013-doughs'
import * as guesses from './migrations/0014-guesses'
import * as workSeen from './migrations/0015-work'

/** A step from one version of the tables to the next; there is no way back. */
export interface Migration {
  up(queryInterface: QueryInterface): Promise<void>
}

/** All steps, oldest first. A step that has shipped is never edited. */
export const MIGRATIONS: readonly { readonly name: string; readonly step: Migration }[] = [
  { name: '0001-kitchen', step: kitchen },
  { name: '0002-formulas', step: formulas },
  { name: '0003-fermentation', step: fermentation },
  { name: '0004-shelf', step: shelf },
  { name: '0005-days', step: days },
  { name: '0006-devices', step: devices },
  { name: '0007-writes', step: writes },
  { name: '0008-readings', step: readings },
  { name: '0009-access', step: access },
  { name: '0010-changes', step: changes },
  { name: '0011-imports', step: imports },
  { name: '0012-additions', step: additions },
  { name: '0013-doughs', step: doughs },
  { name: '0014-guesses', step: guesses },
  { name: '0015-work', step: workSeen }
]

/** Names of the steps this version knows. */
export const STEP_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name)

/**
 * Brings the tables to the newest version; does nothing when they are.
 * Each step and the record of it are one transaction: a step that is cut off has not happened.
 * @returns names of the steps taken
 */
export async function migrate(sequelize: Sequelize, steps: typeof MIGRATIONS = MIGRATIONS): Promise<string[]> {
  // All statements go over the one connection that Sequelize keeps for what belongs to no transaction of its own.
  const run = (sql: string, replacements: unknown[] = []) => sequelize.query(sql, { replacements })
  const executed = async (): Promise<string[]> => {
    await run('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(255) NOT NULL UNIQUE PRIMARY KEY)')
    const rows = await sequelize.query<{ name: string }>('SELECT name FROM migrations ORDER BY name', { type: QueryTypes.SELECT })
    return rows.map(({ name }) => name)
  }
  const taken = new Set(await executed())
  // On most days there is nothing to do, and loading the library would hold up the start.
  if (steps.every(({ name }) => taken.has(name))) return []
  const { Umzug } = await import('umzug')
  const umzug = new Umzug({
    migrations: steps.map(({ name, step }) => ({
      name,
      up: async ({ context }: { context: QueryInterface }) => {
        await run('BEGIN IMMEDIATE')
        try {
          await step.up(context)
          await run('INSERT INTO migrations (name) VALUES (?)', [name])
          await run('COMMIT')
        } catch (error) {
          await run('ROLLBACK').catch(() => undefined)
          throw error
        }
      }
    })),
    context: sequelize.getQueryInterface(),
    storage: {
      executed,
      // The step has recorded itself.
      logMigration: async () => undefined,
      unlogMigration: () => Promise.reject(new Error('There is no way back.'))
    },
    logger: undefined
  })
  return (await umzug.up()).map((done) => done.name)
}
