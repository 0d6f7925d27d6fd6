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
export function overproofedSentence({ gas, mostGas, wantedGas, sinceMs }: Overproofed, format: Format, isRead = false): string {
  const [risen, most, wanted, since] = [format.growth(gas), format.growth(mostGas), format.growth(wantedGas), format.dayTime(near(sinceMs))]
  const look = 'Look first: a dough that still springs back is not over.'
  const by = isRead ? 'At the pace it was seen to rise it' : 'By the forecast it'
  if (gas < SUNK * mostGas) return `${by} rose to ${most}, where ${wanted} was wanted, and has sunk to ${risen}. It has been over since about ${since}. ${look}`
  return `${by} ${isRead ? `stands at ${risen}` : `has risen by ${risen.slice(1)}`}, where ${wanted} was wanted, and has gone too far since about ${since}. ${look}`
}

/** Below this share of the most it had risen a dough is called sunken. */
const SUNK = 0.9
