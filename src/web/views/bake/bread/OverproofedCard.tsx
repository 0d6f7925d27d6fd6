import { lastLevel } from '../../../../answers'
import type { Overproofed } from '../../../../core'
import { overproofedSentence } from '../../../../words'
import { OVERPROOFED_CARD } from '../../../../words/screens/out'
import { useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import large from '../../../parts/cards/Large.module.css'
import waysStyle from '../../../parts/cards/Ways.module.css'
import { useBakeHere } from '../bakeHere'

/** To five minutes: nobody times a rise more exactly, h. */
const roughly = (hours: number) => Math.round(hours * 12) / 12

/** A dough that has gone too far, slept through or forgotten, and what it can still be. */
export function OverproofedCard({ over }: { readonly over: Overproofed }) {
  const { plan, state } = useBakeHere()
  const { format } = useKitchen()
  if (plan.course === null) return null
  const isRead = lastLevel(state) !== undefined
  const { reshapeHours, tinHours } = over
  const ways: readonly (readonly [string, string])[] = [
    [OVERPROOFED_CARD.bakeNow, OVERPROOFED_CARD.bakeNowSays(plan.course.preheatMinutes)],
    [OVERPROOFED_CARD.tin, tinHours === null ? OVERPROOFED_CARD.tinNow : OVERPROOFED_CARD.tinSays(format.duration(roughly(tinHours)))],
    [OVERPROOFED_CARD.flatbread, OVERPROOFED_CARD.flatbreadSays],
    [OVERPROOFED_CARD.reshape, reshapeHours === null ? OVERPROOFED_CARD.reshapeNo : OVERPROOFED_CARD.reshapeSays(format.duration(roughly(reshapeHours)))]
  ]
  return (
    <Card data-testid="overproofed">
      <h2 className={large.item}>{isRead ? OVERPROOFED_CARD.tooFar : OVERPROOFED_CARD.mayBeTooFar}</h2>
      <Note tone="care">{overproofedSentence(over, format, isRead)}</Note>
      <p>{OVERPROOFED_CARD.whatCanStillBeMade}</p>
      <ul className={waysStyle.ways}>
        {ways.map(([name, says]) => (
          <li key={name}>
            <b>{name}</b>
            <div>{says}</div>
          </li>
        ))}
      </ul>
    </Card>
  )
}
