import type { BulkStop, DoughBelief, Format, Overproofed } from '../core'
import { near } from './phases'

/** "Stop bulk at +35 %: the dough is 27 °C then, and gains another 40 % while it cools and rests in the cold." Nothing where it is proofed in the warm. */
export const bulkStopSentence = ({ gas, cold }: BulkStop, format: Format): string | null =>
  cold === null
    ? null
    : `Stop bulk at ${format.growth(gas)}: the dough is ${format.temperature(cold.tempC, 0)} then, and gains another ${format.growth(cold.gas).slice(1)} while it cools and rests in the cold.`

/** Doughs that go by less than this beside what is reckoned go as reckoned. */
const AS_RECKONED = 0.03

/** "Your doughs take about 8 % longer than an ordinary one would: learned from 3 doughs." */
export function doughsSentence({ log, doughs }: DoughBelief): string {
  const points = Math.round(100 * Math.abs(Math.expm1(-log)))
  const from = `learned from ${doughs} ${doughs === 1 ? 'dough' : 'doughs'}`
  if (Math.abs(log) < AS_RECKONED) return `Your doughs take as long as an ordinary one would: ${from}.`
  return `Your doughs take about ${points} % ${log > 0 ? 'less time' : 'longer'} than an ordinary one would: ${from}.`
}

/** "By the forecast it has risen by +155 %, where +50 % was wanted, …" @param isRead a level of it was read */
export function overproofedSentence({ gas, wantedGas, sinceMs }: Overproofed, format: Format, isRead = false): string {
  const [risen, wanted, since] = [format.growth(gas), format.growth(wantedGas), format.dayTime(near(sinceMs))]
  const by = isRead ? `At the pace it was seen to rise it stands at ${risen}` : `By the forecast it has risen by ${risen.slice(1)}`
  return `${by}, where ${wanted} was wanted, and has gone too far since about ${since}. Look first: a dough that still springs back is not over.`
}
