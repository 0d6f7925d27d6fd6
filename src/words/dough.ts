import type { BulkStop, Format } from '../core'

/** "Stop bulk at +35 %: the dough is 27 °C then, and gains another 40 % while it cools and rests in the cold." Nothing where it is proofed in the warm. */
export const bulkStopSentence = ({ gas, cold }: BulkStop, format: Format): string | null =>
  cold === null
    ? null
    : `Stop bulk at ${format.growth(gas)}: the dough is ${format.temperature(cold.tempC, 0)} then, and gains another ${format.growth(cold.gas).slice(1)} while it cools and rests in the cold.`
