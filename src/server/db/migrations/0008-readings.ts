import type { QueryInterface } from 'sequelize'

/** Readings of a stay are found in the index alone, however many there are. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addIndex('place_readings', ['placeId', 'atMs', 'tempC'])
  await query.removeIndex('place_readings', ['placeId', 'atMs'])
}
