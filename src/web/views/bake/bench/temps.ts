import { HEAT, mixTemperature, type Result, type WarmPart, type WaterProblem, waterTemperature } from '../../../../core'
import type { Entry } from '../../../parts/weigh/entry'

/** What was measured at the bench, °C; undefined: not measured. */
export interface Measured {
  readonly flourC?: number
  readonly cultureC?: number
  readonly waterC?: number
}

const isWater = ({ composition }: Entry) => composition.water > 0.99
const gramsOf = ({ poured, grams }: Entry) => (poured > 0 ? poured : grams)
/** c of anything in a bowl: its water, and all else like flour. */
const heatOf = ({ composition }: Entry) => HEAT.water * composition.water + HEAT.flour * (1 - composition.water)

function rest(entries: readonly Entry[], flourC: number, cultureC: number): WarmPart[] {
  return entries.filter((e) => !isWater(e)).map((e) => ({ grams: gramsOf(e), tempC: e.isCulture ? cultureC : flourC, heat: heatOf(e) }))
}

const waterGrams = (entries: readonly Entry[]) => entries.filter(isWater).reduce((sum, e) => sum + gramsOf(e), 0)

/** Water that brings what goes into a bowl to a temperature, with what is in it by now. */
export function waterWanted(entries: readonly Entry[], wantedC: number, flourC: number, cultureC: number, riseK: number): Result<number, WaterProblem> {
  return waterTemperature(wantedC, waterGrams(entries), rest(entries, flourC, cultureC), riseK)
}

/** How warm the mix comes out; null where there is nothing in it. */
export function mixExpected(entries: readonly Entry[], waterC: number, flourC: number, cultureC: number, riseK: number): number | null {
  const water = waterGrams(entries)
  const parts = [...rest(entries, flourC, cultureC), ...(water > 0 ? [{ grams: water, tempC: waterC, heat: HEAT.water }] : [])]
  return parts.length === 0 ? null : Math.round((mixTemperature(parts) + riseK) * 10) / 10
}
