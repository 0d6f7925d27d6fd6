import { SegmentedControl, Select, SimpleGrid, Switch, Text } from '@mantine/core'
import { Link, useParams } from 'react-router'
import { CUP_KINDS, SCHOOLS } from '../../../core'
import { KITCHEN_ROOM_WORDS, SCHOOL_WORDS } from '../../../words'
import { KITCHEN_ROOM } from '../../../words/screens/kitchen'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { BaseSelect } from '../../parts/formula/BaseSelect'
import { CalendarCard } from './CalendarCard'
import { DevicesCard } from './DevicesCard'
import { HoursCard } from './HoursCard'
import classes from './KitchenRoom.module.css'
import { PlacesCard } from './PlacesCard'
import { ThisKitchen } from './ThisKitchen'
import { useChange } from './useChange'
import { VesselsCard } from './VesselsCard'
import { WorkCard } from './WorkCard'

/** Rooms of the kitchen, in the order of their tabs. */
const KITCHEN_ROOMS = [
  { id: 'places', View: PlacesRoom, wide: false },
  { id: 'hours', View: HoursRoom, wide: true },
  { id: 'habits', View: HabitsRoom, wide: true },
  { id: 'vessels', View: VesselsCard, wide: false },
  { id: 'devices', View: DevicesCard, wide: false },
  { id: 'this', View: ThisKitchen, wide: true }
] as const

/** Places, hours, habits, vessels, devices and the kitchen itself: a room for each. Every change is saved at once. */
export function KitchenRoom() {
  const { room } = useParams()
  const open = KITCHEN_ROOMS.find(({ id }) => id === room) ?? KITCHEN_ROOMS[0]
  return (
    <div className={classes.page}>
      <h1 className={classes.title}>{KITCHEN_ROOM.kitchen}</h1>
      <nav className={classes.rooms} aria-label={KITCHEN_ROOM.kitchen}>
        {KITCHEN_ROOMS.map(({ id }) => (
          <Link key={id} to={`/kitchen/${id}`} className={classes.room} aria-current={id === open.id ? 'page' : undefined} replace>
            {KITCHEN_ROOM_WORDS[id].name}
          </Link>
        ))}
      </nav>
      <div className={open.wide ? undefined : classes.single}>
        <open.View />
      </div>
    </div>
  )
}

function PlacesRoom() {
  const { kitchen } = useKitchen()
  return <PlacesCard kitchen={kitchen} change={useChange()} />
}

function HoursRoom() {
  const { kitchen } = useKitchen()
  return (
    <div className={classes.columns}>
      <HoursCard kitchen={kitchen} change={useChange()} />
      <CalendarCard />
    </div>
  )
}

function HabitsRoom() {
  const { kitchen, format } = useKitchen()
  const change = useChange()
  return (
    <div className={classes.columns}>
      <div className={classes.cards}>
        <Card title={KITCHEN_ROOM.howYouBake}>
          <div className={classes.stack}>
            <Select
              label={KITCHEN_ROOM.whenYouLikeToMix}
              data={SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value] }))}
              value={kitchen.school}
              allowDeselect={false}
              onChange={(v) => change({ school: SCHOOLS.find((school) => school === v) ?? kitchen.school })}
            />
            <BaseSelect base={kitchen.base} onBase={(base) => change({ base })} />
            <Segments label={KITCHEN_ROOM.cupsAndSpoons} values={CUP_KINDS} value={kitchen.cups} onValue={(cups) => change({ cups })} />
            <Switch
              size="md"
              label={KITCHEN_ROOM.iHaveScaleThatShows}
              description={KITCHEN_ROOM.saltYeastAndSmallAmounts}
              checked={kitchen.smallScale}
              onChange={(e) => change({ smallScale: e.currentTarget.checked })}
            />
          </div>
        </Card>
        <Card title={KITCHEN_ROOM.units}>
          <SimpleGrid cols={{ base: 1, sm: 3 }}>
            <Segments label={KITCHEN_ROOM.mass} values={['g', 'oz'] as const} value={kitchen.mass} onValue={(mass) => change({ mass })} />
            <Segments
              label={KITCHEN_ROOM.temperature}
              values={['°C', '°F'] as const}
              value={kitchen.temperature}
              onValue={(temperature) => change({ temperature })}
            />
            <Segments label={KITCHEN_ROOM.clock} values={['24 h', '12 h'] as const} value={kitchen.clock} onValue={(clock) => change({ clock })} />
          </SimpleGrid>
          <Text c="dimmed" mt="sm">
            {format.mass(750)}, {format.temperature(24)}, {format.time(Date.UTC(2026, 0, 1, 15, 30))}
          </Text>
        </Card>
      </div>
      <WorkCard />
    </div>
  )
}

interface Choice<Value extends string> {
  readonly label: string
  readonly values: readonly Value[]
  readonly value: Value
  readonly onValue: (value: Value) => void
}

function Segments<Value extends string>({ label, values, value, onValue }: Choice<Value>) {
  return (
    <div>
      <Text fw={500} mb={6}>
        {label}
      </Text>
      <SegmentedControl fullWidth data={[...values]} value={value} onChange={(v) => onValue(values.find((one) => one === v) ?? value)} aria-label={label} />
    </div>
  )
}
