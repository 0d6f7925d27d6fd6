import type { Place } from '../../../contract'
import type { Format } from '../../../core'

/** Places to choose from, each with its warmth. */
export const placeChoices = (places: readonly Place[], format: Format) =>
  places.map((p) => ({ value: p.id, label: `${p.name}, ${format.temperature(p.tempC)}` }))
