import { DataTypes, type QueryInterface } from 'sequelize'

/** How fast the doughs of the kitchen go beside what is reckoned, as learned from those that were baked; none yet. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('kitchens', 'doughs', { type: DataTypes.JSON, allowNull: true })
}
