import type { GridLine } from './gridLines'

/** Texts of the grid's cells, told to each cell by itself: a keystroke redraws the cells that change and nothing else. */
export interface GridTexts {
  readonly get: (key: string) => string
  readonly subscribe: (listener: () => void) => () => void
  readonly set: (lines: readonly GridLine[], total: GridTotal) => void
}

/** The sum below the lines. */
export interface GridTotal {
  readonly share: string
  readonly grams: string
}

/** Key of the text in a cell of a line, or of the sum. */
export const textKey = (line: string | null, column: 'share' | 'grams') => `${line ?? 'total'}|${column}`

/** A store of texts for one grid. */
export function createGridTexts(): GridTexts {
  let texts = new Map<string, string>()
  const listeners = new Set<() => void>()
  return {
    get: (key) => texts.get(key) ?? '',
    subscribe(listener) {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    set(lines, total) {
      texts = new Map([
        [textKey(null, 'share'), total.share],
        [textKey(null, 'grams'), total.grams],
        ...lines.flatMap((line) => [[textKey(line.id, 'share'), line.share] as const, [textKey(line.id, 'grams'), line.grams] as const])
      ])
      for (const listener of listeners) listener()
    }
  }
}
