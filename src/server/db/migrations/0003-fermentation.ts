import { type DataType, DataTypes, type QueryInterface, QueryTypes } from 'sequelize'

const needed = (type: DataType) => ({ type, allowNull: false })
const may = (type: DataType) => ({ type, allowNull: true })

/** Places by day and night and what was measured there; what vessels are made of; pinned and renewed paces of jars; moves in plans. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('places', 'nightTempC', may(DataTypes.DOUBLE))
  await query.addColumn('batch_stays', 'swingK', may(DataTypes.DOUBLE))
  await query.addColumn('batch_stays', 'warmestMs', may(DataTypes.BIGINT))
  await query.addColumn('batches', 'material', may(DataTypes.TEXT))
  await query.addColumn('vessels', 'material', { type: DataTypes.TEXT, allowNull: false, defaultValue: 'glass' })
  await query.addColumn('jars', 'pace', may(DataTypes.JSON))
  await query.createTable('place_readings', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    placeId: { type: DataTypes.UUID, allowNull: false, references: { model: 'places', key: 'id' }, onDelete: 'RESTRICT' },
    importId: needed(DataTypes.UUID),
    atMs: needed(DataTypes.BIGINT),
    tempC: needed(DataTypes.DOUBLE),
    source: needed(DataTypes.TEXT)
  })
  await query.addIndex('place_readings', ['placeId', 'atMs'])
  await query.addIndex('place_readings', ['importId'])

  const { sequelize } = query
  const bakes = await sequelize.query<{ id: string; plan: string; frozen: string | null }>('SELECT id, plan, frozen FROM bakes', { type: QueryTypes.SELECT })
  for (const { id, plan, frozen } of bakes) {
    const kept = frozen === null ? null : (JSON.parse(frozen) as { plan: object } | null)
    const moved = kept === null ? frozen : JSON.stringify({ ...kept, plan: { ...kept.plan, moves: [] } })
    await sequelize.query('UPDATE bakes SET plan = ?, frozen = ? WHERE id = ?', {
      replacements: [JSON.stringify({ ...JSON.parse(plan), moves: [] }), moved, id]
    })
  }
}
