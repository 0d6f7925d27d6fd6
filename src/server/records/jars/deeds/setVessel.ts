import type { Work } from '../../work'

export async function setVessel({ models, transaction }: Work, jarId: string, vesselId: string | null): Promise<void> {
  await models.jars.update({ vesselId }, { where: { id: jarId }, transaction })
}
