import type { ChangedField } from '../contract'
import type { Format } from '../core'
import { fieldOf, valueWords } from './fields'

/** A field in words: its name, what it was and what it is. */
export function changeWords({ field, from, to }: ChangedField, format: Format): { readonly name: string; readonly from: string; readonly to: string } {
  const { name, kind } = fieldOf(field)
  return { name, from: valueWords(from, kind, format), to: valueWords(to, kind, format) }
}
