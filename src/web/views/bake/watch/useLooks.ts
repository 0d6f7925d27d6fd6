import { millisecondsInMinute } from 'date-fns/constants'
import type { Explanation, Signs } from '../../../../core'
import { LEVEL_ASKED, WATCH_STATION } from '../../../../words/screens/watch'
import { nowMs } from '../../../data/clock'
import { correctLook, lookAtJar, takeBackOfJar } from '../../../data/jars'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { useBakeHere } from '../bakeHere'
import type { LookNote } from './Look'
import { useNotes } from './useNotes'

/** A look at what rises, as it was noted. */
export interface Seen {
  readonly id: string
  readonly atMs: number
  readonly rise?: number
  readonly pH?: number
  readonly signs: Signs
  /** A photograph. */
  readonly picture?: string
}

/** Looks at what rises: they belong to the levain of a bake or, where that takes its starter as it is, to the jar. */
export interface Looks {
  /** In the order of time. */
  readonly seen: readonly Seen[]
  readonly note: LookNote
  readonly correctLevel: (id: string, rise: number) => void
  readonly explain: (id: string, as: Explanation) => void
  /** Takes the last one back; null where it cannot be. */
  readonly undoLast: (() => void) | null
}

/** The looks of the bake at hand. */
export function useLooks(): Looks {
  const { state, plan, jar } = useBakeHere()
  const { undo, noteUndoably, correctLevel } = useNotes()
  if (plan.build.source !== 'as it is' || state.band !== null || jar === undefined) {
    const { lastUndoable, marks } = state
    return {
      seen: marks,
      note: (seen, ago) => noteUndoably({ type: 'mark', ...seen }, ago, WATCH_STATION.noted),
      correctLevel,
      explain: (look, as) => noteUndoably({ type: 'explained', look, as }, 0, LEVEL_ASKED.noted),
      undoLast: lastUndoable?.type === 'mark' ? () => void undo(lastUndoable.id).catch(tellError) : null
    }
  }
  const last = jar.looks.at(-1)
  const change = (id: string, said: { readonly rise?: number; readonly explained?: Explanation }, told: string) => {
    const look = jar.looks.find((l) => l.id === id)
    if (look !== undefined) correctLook(jar, look, said).then(() => tellDone(told), tellError)
  }
  return {
    seen: jar.looks.map(({ at, ...look }) => ({ ...look, atMs: at })),
    note: (seen, ago) => void lookAtJar(jar, seen, nowMs() - ago * millisecondsInMinute).then((takeBack) => tellDone(WATCH_STATION.noted, takeBack), tellError),
    correctLevel: (id, rise) => change(id, { rise }, WATCH_STATION.levelCorrected),
    explain: (id, explained) => change(id, { explained }, LEVEL_ASKED.noted),
    undoLast: last === undefined ? null : () => void takeBackOfJar(jar, last.id).catch(tellError)
  }
}
