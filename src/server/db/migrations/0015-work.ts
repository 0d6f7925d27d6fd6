import { DataTypes, type QueryInterface } from 'sequelize'

/** How long the baker takes for what is done, as it was seen; nothing yet. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('kitchens', 'workSeen', { type: DataTypes.JSON, allowNull: true })
}
