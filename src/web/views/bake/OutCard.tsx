import { Button, Chip, Group, Skeleton, Text } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { type DoughLeft, minuteOf, standingIn, whereItStands } from '../../../answers'
import { type Format, holds, nextAt, type OtherPlace, type OutWay } from '../../../core'
import { near } from '../../../words'
import { OUT_CARD } from '../../../words/screens/out'
import { useDoughOut, useLevainOut } from '../../data/judging'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import waysStyle from '../../parts/cards/Ways.module.css'
import { useBakeHere } from './bakeHere'

/** Hours from now that are offered, to the whole hour. */
const OFFERED_HOURS = [2, 4, 6, 8, 10, 12] as const

/** Where a levain or dough is to stand until somebody is back. */
type OnMove = (placeId: string, tempC: number) => void

function usePlaces(nowMs: number): readonly OtherPlace[] {
  const { kitchen } = useKitchen()
  return useMemo(() => kitchen.places.map(({ id, name, tempC }) => ({ id, name, standing: standingIn(kitchen, id, tempC, nowMs) })), [kitchen, nowMs])
}

/** "I’m out until 18:00", for a levain on its way, or a jar that goes into the dough as it is: what comes of it where it stands, in a cooler place, and in the cold. */
export function LevainOutCard({ onMove }: { readonly onMove: OnMove }) {
  const { judged, plan, state, jar, now } = useBakeHere()
  const nowMs = minuteOf(now)
  const places = usePlaces(nowMs)
  const [backMs, setBackMs] = useState<number | null>(null)
  const hereId = plan.build.source === 'as it is' && jar !== undefined ? whereItStands(jar, nowMs).placeId : (state.moves.at(-1)?.placeId ?? plan.placeId)
  const question = useMemo(
    () => (judged === undefined ? null : { line: judged.line, marks: judged.marks, hours: judged.hours, school: plan.school, belief: judged.belief }),
    [judged, plan.school]
  )
  const ways = useLevainOut(question, places, backMs)
  return <OutCard hereId={hereId} backMs={backMs} onBack={setBackMs} ways={ways} onMove={onMove} wantedGas={null} />
}

/** The same for a dough, in bulk or in its proof. */
export function DoughOutCard({ left, onMove }: { readonly left: DoughLeft | null; readonly onMove: OnMove }) {
  const { plan, state, now } = useBakeHere()
  const nowMs = minuteOf(now)
  const places = usePlaces(nowMs)
  const [backMs, setBackMs] = useState<number | null>(null)
  const ways = useDoughOut(
    useMemo(() => (left === null ? null : { ...left, nowMs }), [left, nowMs]),
    places,
    backMs
  )
  if (left === null) return null
  const hereId = state.doughMoves.at(-1)?.placeId ?? (plan.course ?? plan).placeId
  return <OutCard hereId={hereId} backMs={backMs} onBack={setBackMs} ways={ways} onMove={onMove} wantedGas={left.wantedGas} />
}

function OutCard({
  hereId,
  backMs,
  onBack,
  ways,
  onMove,
  wantedGas
}: {
  readonly hereId: string
  readonly backMs: number | null
  readonly onBack: (ms: number | null) => void
  readonly ways: readonly OutWay[] | undefined
  readonly onMove: OnMove
  readonly wantedGas: number | null
}) {
  const { now } = useBakeHere()
  const { kitchen, format } = useKitchen()
  const nameOf = (id: string) => kitchen.places.find((p) => p.id === id)?.name ?? OUT_CARD.whereItStands
  const offered = useMemo(() => OFFERED_HOURS.map((h) => Math.round((minuteOf(now) + h * millisecondsInHour) / millisecondsInHour) * millisecondsInHour), [now])
  const best = ways === undefined ? undefined : bestOf(ways)
  const choose = (clock: string) => /^\d\d:\d\d/.test(clock) && onBack(nextAt(now, clock, kitchen.timeZone))
  return (
    <Card title={OUT_CARD.iAmOutUntil} data-testid="out">
      <Group gap={8} align="flex-end">
        {offered.map((ms) => (
          <Chip key={ms} size="md" checked={backMs === ms} onChange={(on) => onBack(on ? ms : null)}>
            {format.time(ms)}
          </Chip>
        ))}
        <TimePicker label={OUT_CARD.orAnotherTime} size="sm" onChange={choose} hoursInputLabel={OUT_CARD.hour} minutesInputLabel={OUT_CARD.minute} />
      </Group>
      {backMs !== null && ways === undefined && <Skeleton height={160} mt="md" />}
      {backMs !== null && ways !== undefined && (
        <ul className={waysStyle.ways}>
          {ways.map((way) => (
            <li key={way.place?.id ?? 'here'}>
              <b>{titleOf(way, nameOf(hereId))}</b>
              {way === best && <Text span c="dimmed">{` ${OUT_CARD.best}`}</Text>}
              <div>{wantedGas === null ? levainWords(way, backMs, format) : doughWords(way, backMs, wantedGas, format)}</div>
              {way.place !== null && (
                <Button
                  variant={way === best ? 'filled' : 'default'}
                  size="sm"
                  mt={8}
                  aria-label={OUT_CARD.iHavePutItIn(way.place.name)}
                  onClick={() => way.place !== null && onMove(way.place.id, way.place.standing.tempC)}
                >
                  {OUT_CARD.iHavePutItThere}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </Card>
  )
}

const titleOf = ({ place }: OutWay, here: string) =>
  place === null ? OUT_CARD.carryOn(here) : holds(place.standing.tempC) ? OUT_CARD.chill(place.name) : OUT_CARD.hold(place.name)

/** The way that leaves it ready, else the one that is not past; the least carrying about of those alike. */
function bestOf(ways: readonly OutWay[]): OutWay | undefined {
  const rank = { ready: 0, 'not yet': 1, past: 2 } as const
  return [...ways].filter(({ comes }) => comes !== 'past').sort((a, b) => rank[a.comes] - rank[b.comes] || (b.chance ?? 0) - (a.chance ?? 0))[0]
}

function levainWords({ comes, chance, fromMs, untilMs }: OutWay, backMs: number, format: Format): string {
  const [back, odds] = [format.time(backMs), format.percent(chance ?? 0, 0)]
  const at = (ms: number) => format.dayTime(near(ms))
  if (comes === 'not yet') return fromMs === null ? OUT_CARD.notYetUnknown(back) : OUT_CARD.notYet(back, odds, at(fromMs))
  if (untilMs === null) return OUT_CARD.notYetUnknown(back)
  return comes === 'ready' ? OUT_CARD.ready(back, odds, at(untilMs)) : OUT_CARD.past(back, odds, at(untilMs))
}

function doughWords({ comes, gas, fromMs }: OutWay, backMs: number, wantedGas: number, format: Format): string {
  const [back, risen, wanted] = [format.time(backMs), format.growth(gas ?? 0), format.growth(wantedGas)]
  if (fromMs === null) return OUT_CARD.doughNever(back, risen, wanted)
  const from = format.dayTime(near(fromMs))
  if (comes === 'not yet') return OUT_CARD.doughNotYet(back, risen, wanted, from)
  return comes === 'ready' ? OUT_CARD.doughReady(back, risen, from) : OUT_CARD.doughPast(back, risen, from)
}
