import { millisecondsInMinute } from 'date-fns/constants'
import { type Happening, newEvent } from '../../../../contract'
import { WATCH_STATION } from '../../../../words/screens/watch'
import { addEvent } from '../../../data/bakes'
import { nowMs } from '../../../data/clock'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { useBakeHere } from '../bakeHere'

/** Notes what happened to the levain of the bake at hand, each to be taken back. */
export function useNotes() {
  const { bake, state } = useBakeHere()
  const { pantry } = useKitchen()
  const noteAt = (event: Happening, ms: number, id = newId()) => addEvent(bake, newEvent(event, id, ms), pantry)
  const note = (event: Happening, minutesAgo = 0, id = newId()) => noteAt(event, nowMs() - minutesAgo * millisecondsInMinute, id)
  const undo = (id: string) => note({ type: 'undo', undoes: id })
  const noteUndoably = (event: Happening, minutesAgo: number, told: string) => {
    const id = newId()
    note(event, minutesAgo, id).then(() => tellDone(told, () => undo(id)), tellError)
  }
  /** The same look with another level. */
  const correctLevel = (lookId: string, rise: number) => {
    const look = state.marks.find((m) => m.id === lookId)
    if (look === undefined) return
    const { atMs, pH, signs, note: words, picture } = look
    // The new one first: if it cannot be kept, nothing is lost.
    noteAt({ type: 'mark', rise, pH, signs, note: words, picture }, atMs)
      .then(() => undo(lookId))
      .then(() => tellDone(WATCH_STATION.levelCorrected), tellError)
  }
  return { note, undo, noteUndoably, correctLevel }
}
