import { TZDate } from '@date-fns/tz'
import { Button, Group, Select, Text } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { IconSearch } from '@tabler/icons-react'
import { useState } from 'react'
import type { Plan } from '../../../../contract'
import { type BreadWish, instantAt, type LevainHabit, MODEL, nextAt, POSSIBLE } from '../../../../core'
import { near } from '../../../../words'
import { WISH_CARD } from '../../../../words/screens/plan'
import { editOf, saveKitchen, useKitchen } from '../../../data/kitchen'
import { Card, Note } from '../../../parts/cards/Card'
import { tellError } from '../../../parts/cards/tell'
import { MomentField } from '../../../parts/fields/MomentField'
import { QuantityField } from '../../../parts/fields/QuantityField'

/** What may be wished for, in bakers' words. */
const WISHES = [
  { value: 'out', label: WISH_CARD.outOvenBy },
  { value: 'eat', label: WISH_CARD.cooledToCutBy },
  { value: 'mix', label: WISH_CARD.doughMixedAt },
  { value: 'soonest', label: WISH_CARD.asSoonAsCanBe },
  { value: 'same day', label: WISH_CARD.theSameDay },
  { value: 'two days', label: WISH_CARD.twoDaysAhead },
  { value: 'evening', label: WISH_CARD.buildInEveningMixIn },
  { value: 'morning', label: WISH_CARD.buildInMorningMixIn }
] as const
type WishKind = (typeof WISHES)[number]['value']

const ANY_WAY = 'any way'

/** A plan that is later than its wish by no more than this is in time, ms. */
const NEAR_MS = 600_000

/** The hours of a habit. */
export interface Habit {
  readonly build: string
  readonly mix: string
}

/** The hours habits begin with. */
const HABITS = { evening: { build: '21:30', mix: '08:00' }, morning: { build: '08:00', mix: '18:00' } } as const
type HabitKind = keyof typeof HABITS
const isHabit = (kind: WishKind): kind is HabitKind => kind in HABITS

/** When the bread is wanted, and the button that finds the ways there. */
export function WishCard({
  wish,
  ready,
  now,
  searching,
  habit: levainHabit,
  jarInFridge,
  onWish,
  onHabit,
  onFind
}: {
  readonly wish: BreadWish
  /** When it is mixed, out of the oven and cooled as it is planned now. */
  readonly ready: Readonly<Record<'mix' | 'out' | 'eat', number>>
  readonly now: number
  readonly searching: boolean
  /** How the levain is to go; null: any way. */
  readonly habit: LevainHabit['kind'] | null
  /** The name of its jar where that stands in the fridge; null where it does not. */
  readonly jarInFridge: string | null
  readonly onWish: (wish: BreadWish) => void
  readonly onHabit: (habit: LevainHabit['kind'] | null) => void
  readonly onFind: () => void
}) {
  const { kitchen, format } = useKitchen()
  const [habit, setHabit] = useState<Habit & { readonly kind: HabitKind }>({ kind: 'evening', ...HABITS.evening })
  const wishHabit = (hours: Habit) => onWish({ kind: 'habit', ...nextHabit(hours, now, kitchen.timeZone) })
  const choose = (kind: WishKind) => {
    if (kind === 'soonest') onWish({ kind })
    else if (kind === 'same day' || kind === 'two days') onWish(mealAt(kind, now, kitchen.timeZone))
    else if (isHabit(kind)) {
      setHabit({ kind, ...HABITS[kind] })
      wishHabit(HABITS[kind])
    }
    // What the hour means changes, and the plan does not: the same plan, told by its other hour.
    else onWish({ kind, atMs: near(ready[kind]) })
  }
  const setHours = (hours: Partial<Habit>) => {
    const next = { ...habit, ...hours }
    setHabit(next)
    if (/^\d\d:\d\d/.test(next.build) && /^\d\d:\d\d/.test(next.mix)) wishHabit(next)
  }
  return (
    <Card title={WISH_CARD.whenDoYouWantBread}>
      <Select
        label={WISH_CARD.whatShouldBeReady}
        data={[...WISHES]}
        value={wish.kind === 'habit' ? habit.kind : wish.kind}
        allowDeselect={false}
        onChange={(v) => v !== null && choose(v)}
        mb="sm"
      />
      {wish.kind === 'habit' ? (
        <Group grow>
          <TimePicker
            label={WISH_CARD.buildAt}
            value={habit.build}
            size="md"
            onChange={(build) => setHours({ build })}
            hoursInputLabel={WISH_CARD.hourBuild}
            minutesInputLabel={WISH_CARD.minuteBuild}
          />
          <TimePicker
            label={WISH_CARD.mixAt}
            value={habit.mix}
            size="md"
            onChange={(mix) => setHours({ mix })}
            hoursInputLabel={WISH_CARD.hourMix}
            minutesInputLabel={WISH_CARD.minuteMix}
          />
        </Group>
      ) : wish.kind === 'soonest' ? (
        <Text c="dimmed">{WISH_CARD.withinNextThreeDaysAs}</Text>
      ) : (
        <MomentField ms={wish.atMs} fromMs={now} onMs={(atMs) => onWish({ kind: wish.kind, atMs })} />
      )}
      {wish.kind !== 'soonest' && wish.kind !== 'habit' && ready[wish.kind] > wish.atMs + NEAR_MS && (
        <Note tone="care">{WISH_CARD.readyOnlyAt(format.dayTime(near(ready[wish.kind])))}</Note>
      )}
      <Select
        label={WISH_CARD.howLevainGoes}
        data={[
          { value: ANY_WAY, label: WISH_CARD.anyWay },
          { value: 'out, then the fridge', label: WISH_CARD.outThenFridge },
          ...(jarInFridge === null ? [] : [{ value: 'jar out in the morning', label: WISH_CARD.jarOutInMorning(jarInFridge) }])
        ]}
        value={levainHabit ?? ANY_WAY}
        allowDeselect={false}
        onChange={(v) => onHabit(v === 'out, then the fridge' || v === 'jar out in the morning' ? v : null)}
        mt="sm"
      />
      <NightLow />
      <Button mt="md" size="lg" leftSection={<IconSearch size={20} />} loading={searching} onClick={onFind}>
        {WISH_CARD.findSchedules}
      </Button>
    </Card>
  )
}

/** Bread for a meal: cut for the next supper, at seven, or at noon the day after tomorrow. */
function mealAt(kind: 'same day' | 'two days', now: number, timeZone: string): BreadWish {
  if (kind === 'same day') return { kind: 'eat', atMs: nextAt(now, '19:00', timeZone) }
  const day = new TZDate(now, timeZone)
  return { kind: 'eat', atMs: instantAt(day.getFullYear(), day.getMonth() + 1, day.getDate() + 2, '12:00', timeZone) }
}

/** The next evening and morning of a habit. */
function nextHabit({ build, mix }: Habit, now: number, timeZone: string): { buildMs: number; mixMs: number } {
  const day = new TZDate(now, timeZone)
  const at = (ahead: number, clock: string) => instantAt(day.getFullYear(), day.getMonth() + 1, day.getDate() + ahead, clock, timeZone)
  const first = [0, 1].find((ahead) => at(ahead, build) >= now) ?? 1
  const buildMs = at(first, build)
  return { buildMs, mixMs: at(first, mix) > buildMs ? at(first, mix) : at(first + 1, mix) }
}

/** Asked once: how cold the first room gets at night. */
function NightLow() {
  const { kitchen } = useKitchen()
  const room = kitchen.places[0]
  const [low, setLow] = useState<number | null>(null)
  if (room === undefined || room.nightTempC !== null || room.tempC < MODEL.coldNoneC || room.surroundings !== 'air') return null
  const keep = (nightTempC: number) => {
    saveKitchen(kitchen, { ...editOf(kitchen), places: kitchen.places.map((p) => (p.id === room.id ? { ...p, nightTempC } : p)) }).catch(tellError)
  }
  return (
    <Group mt="md" align="flex-end" gap="xs" wrap="nowrap">
      <QuantityField
        kind="temperature"
        label={WISH_CARD.howColdByNight(room.name)}
        what={WISH_CARD.roomAtNight}
        value={low ?? room.tempC}
        range={POSSIBLE.tempC}
        onCommit={setLow}
        style={{ flex: 1 }}
      />
      <Button variant="default" onClick={() => keep(low ?? room.tempC)}>
        {low === null ? WISH_CARD.justAsWarm : WISH_CARD.keep}
      </Button>
    </Group>
  )
}

/** A wish as the plan keeps it; what is not a moment is not kept. */
export const breadOf = (wish: BreadWish): Plan['bread'] => (wish.kind === 'soonest' || wish.kind === 'habit' ? null : { kind: wish.kind, at: wish.atMs })
