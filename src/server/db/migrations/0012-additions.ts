import { DataTypes, type QueryInterface } from 'sequelize'

/** Yeast, sugar and fat of a dough, g: they decide how long its bulk takes. Doughs mixed before are told as they were. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('batches', 'additions', { type: DataTypes.JSON, allowNull: true })
}
