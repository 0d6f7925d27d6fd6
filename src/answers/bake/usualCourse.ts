import type { Course } from '../../contract'
import { type Formula, USUAL_COURSE } from '../../core'

/** A dough as it comes out of the bowl, °C, and its autolyse, min. Source: craft knowledge. */
const USUAL_DOUGH_C = 25
const USUAL_AUTOLYSE_MINUTES = 40

/** The usual day of a kind of dough, at a place. */
export function courseFor({ doughKind, autolyse }: Pick<Formula, 'doughKind' | 'autolyse'>, place: { readonly id: string; readonly tempC: number }): Course {
  return {
    ...USUAL_COURSE[doughKind],
    autolyseMinutes: autolyse ? USUAL_AUTOLYSE_MINUTES : 0,
    placeId: place.id,
    tempC: place.tempC,
    mixTempC: USUAL_DOUGH_C
  }
}
