import { type DataType, DataTypes, type QueryInterface } from 'sequelize'

const needed = (type: DataType) => ({ type, allowNull: false })
const may = (type: DataType) => ({ type, allowNull: true })
const to = (table: string, allowNull = false) => ({
  type: DataTypes.UUID,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete: 'RESTRICT' as const
})

/** Cultures of jars, what they are fed, in which vessel, from which jar; programs; flours that differ from their kind; the kitchen's money. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('jars', 'culture', { ...needed(DataTypes.TEXT), defaultValue: 'white wheat' })
  await query.addColumn('jars', 'vesselId', may(DataTypes.UUID))
  await query.addColumn('jars', 'feed', may(DataTypes.JSON))
  await query.addColumn('jars', 'originId', may(DataTypes.UUID))
  await query.addColumn('batches', 'own', may(DataTypes.JSON))
  await query.createTable('programs', {
    id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
    kitchenId: to('kitchens'),
    jarId: to('jars'),
    program: needed(DataTypes.JSON),
    placeId: to('places'),
    startedAtMs: needed(DataTypes.BIGINT),
    endedAtMs: may(DataTypes.BIGINT)
  })
  await query.addIndex('programs', ['jarId'])
  await query.addIndex('events', ['type', 'happenedAtMs'])
  // Balances are sums of an account: with the masses in the index the table itself is not asked.
  await query.removeIndex('ledger_entries', ['account'])
  await query.addIndex('ledger_entries', ['account', 'milligrams'])

  const { sequelize } = query
  await sequelize.query(`UPDATE jars SET culture = CASE flour
    WHEN 'rye' THEN 'rye' WHEN 'gluten-free' THEN 'gluten-free' WHEN 'ancient wheat' THEN 'ancient wheat'
    WHEN 'white wheat' THEN 'white wheat' ELSE 'wholegrain' END`)
  await sequelize.query(`UPDATE jars SET originId =
    (SELECT jarId FROM events WHERE type = 'split' AND json_extract(payload, '$.newJarId') = jars.id LIMIT 1)`)
  await sequelize.query(`UPDATE kitchens SET settings = json_set(settings, '$.currency', 'EUR')`)
}
