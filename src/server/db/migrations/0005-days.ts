import { DataTypes, type QueryInterface } from 'sequelize'

/** Hours of the kitchen, places that take so many, the dough's day in every plan, addresses for calendars. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('places', 'takes', { type: DataTypes.INTEGER, allowNull: true })
  await query.createTable('calendar_addresses', {
    id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
    kitchenId: { type: DataTypes.UUID, allowNull: false, references: { model: 'kitchens', key: 'id' }, onDelete: 'RESTRICT' },
    name: { type: DataTypes.TEXT, allowNull: false },
    tokenHash: { type: DataTypes.TEXT, allowNull: false, unique: true },
    createdAtMs: { type: DataTypes.BIGINT, allowNull: false },
    readAtMs: { type: DataTypes.BIGINT, allowNull: true },
    revokedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  const { sequelize } = query
  await sequelize.query(`UPDATE kitchens SET settings = json_set(settings, '$.weekly', json('[]'), '$.once', json('[]'))`)
  // Bakes from before end with their mix: of their doughs nothing was planned.
  const day = `'$.course', NULL, '$.startAt', NULL, '$.before', json('[]'), '$.bread', NULL, '$.pins', json('[]')`
  await sequelize.query(`UPDATE bakes SET plan = json_set(plan, ${day})`)
  await sequelize.query(
    `UPDATE bakes SET frozen = json_set(frozen, '$.plan', json_set(json_extract(frozen, '$.plan'), ${day})) WHERE frozen IS NOT NULL AND json_type(frozen) = 'object'`
  )
  await sequelize.query(`UPDATE bakes SET status = 'baked' WHERE status = 'mixed'`)
}
