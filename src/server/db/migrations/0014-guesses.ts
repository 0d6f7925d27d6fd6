import { DataTypes, type QueryInterface } from 'sequelize'

/** Temperatures of places that nobody has said: what is usual stands for them. Those that are there were typed, or taken as they are. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('places', 'guessed', { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false })
}
