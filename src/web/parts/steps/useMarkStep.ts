import type { Bake } from '../../../answers'
import { isoOf } from '../../../contract'
import { moveOfStep, type Pantry, type Step } from '../../../core'
import { stepTitle } from '../../../words'
import { USE_MARK_STEP } from '../../../words/screens/parts-steps'
import { addEvent } from '../../data/bakes'
import { nowMs } from '../../data/clock'
import { feedForBake } from '../../data/jarFeeds'
import { useJars } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { tellDone, tellError } from '../cards/tell'

type Noted = Parameters<typeof addEvent>[1]

/** Notes something of a bake, tells it, and offers the way back. */
function noteUndoably(bake: Bake, event: Noted, pantry: Pantry, told: string): void {
  const takeBack = () => addEvent(bake, { id: newId(), happenedAt: isoOf(nowMs()), source: 'typed', type: 'undo', undoes: event.id }, pantry)
  addEvent(bake, event, pantry).then(() => tellDone(told, takeBack), tellError)
}

/** Notes that a step is begun now: with its end it tells how long it takes. */
export function useBeginStep(): (bake: Bake, step: Step) => void {
  const { pantry, format } = useKitchen()
  return (bake, step) => {
    const atMs = nowMs()
    noteUndoably(
      bake,
      { id: newId(), happenedAt: isoOf(atMs), source: 'typed', type: 'begun', step: step.id },
      pantry,
      USE_MARK_STEP.begunAt(format.time(atMs))
    )
  }
}

/** Marks a step done or left out, now or some time ago, with the way back. A feed of its jar that is done was fed as planned. */
export function useMarkStep(): (bake: Bake, step: Step, did: 'done' | 'skipped', atMs?: number) => void {
  const here = useKitchen()
  const { pantry, format } = here
  const { jars = [] } = useJars()
  return (bake, step, did, atMs = nowMs()) => {
    const id = newId()
    const note = { happenedAt: isoOf(atMs), source: 'typed' as const }
    const title = stepTitle(bake, step, jars)
    const told = did === 'skipped' ? USE_MARK_STEP.leftOut(title) : USE_MARK_STEP.doneAt(format.time(atMs), title)
    const jar = jars.find((j) => j.id === bake.plan.jarId)
    if ((step.kind === 'wake' || step.kind === 'refill') && did === 'done' && jar !== undefined) {
      feedForBake(bake, step.id, jar, here, atMs).then((undo) => tellDone(told, undo), tellError)
      return
    }
    const move = step.kind === 'move' && did === 'done' ? bake.plan.course?.moves[moveOfStep(step.id)] : undefined
    const event =
      move === undefined
        ? { ...note, id, type: 'step' as const, step: step.id, did }
        : { ...note, id, type: 'moved' as const, placeId: move.placeId, tempC: move.tempC }
    noteUndoably(bake, event, pantry, told)
  }
}
