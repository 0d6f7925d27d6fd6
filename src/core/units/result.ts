/** Something a baker asked for that cannot be: a reason code and the figures a sentence needs. */
export interface Problem<Code extends string = string> {
  /** Which wish failed. */
  readonly code: Code
  /** Figures by name, in the core's units (g, °C, fractions, hours). */
  readonly values: Readonly<Record<string, number>>
  /** Id of the line or ingredient it is about, where there is one. */
  readonly about?: string
}

/** A value, or why there is none. */
export type Result<Value, Code extends string = string> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly problem: Problem<Code> }

export function ok<Value>(value: Value): { readonly ok: true; readonly value: Value } {
  return { ok: true, value }
}

export function problem<Code extends string>(
  code: Code,
  values: Readonly<Record<string, number>> = {},
  about?: string
): { readonly ok: false; readonly problem: Problem<Code> } {
  return { ok: false, problem: about === undefined ? { code, values } : { code, values, about } }
}
