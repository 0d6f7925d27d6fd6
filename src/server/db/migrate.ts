import type { QueryInterface, Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import * as kitchen from './migrations/0001-kitchen'
import * as formulas from './migrations/0002-formulas'
import * as fermentation from './migrations/0003-fermentation'
import * as shelf from './migrations/0004-shelf'
import * as days from './migrations/0005-days'
import * as devices from './migrations/0006-devices'

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
  { name: '0006-devices', step: devices }
]

/** Brings the tables to the newest version; does nothing when they are. */
export async function migrate(sequelize: Sequelize, steps: typeof MIGRATIONS = MIGRATIONS): Promise<string[]> {
  const umzug = new Umzug({
    migrations: steps.map(({ name, step }) => ({ name, up: ({ context }: { context: QueryInterface }) => step.up(context) })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined
  })
  return (await umzug.up()).map((done) => done.name)
}
