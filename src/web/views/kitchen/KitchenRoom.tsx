import { Button, SegmentedControl, Select, SimpleGrid, Switch, Text, TextInput, useMantineColorScheme } from '@mantine/core'
import { IconArrowRight } from '@tabler/icons-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { type KitchenEdit, kitchenEditSchema, kitchenToWire } from '../../../contract'
import { CUP_KINDS, PERCENTAGE_BASES, SCHOOLS } from '../../../core'
import { Refusal } from '../../data/api'
import { editOf, saveKitchen, useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/Card'
import { tellError } from '../../parts/tell'
import { CalendarCard } from './CalendarCard'
import { DevicesCard } from './DevicesCard'
import { HoursCard } from './HoursCard'
import classes from './KitchenRoom.module.css'
import { PlacesCard } from './PlacesCard'
import { VesselsCard } from './VesselsCard'

const ZONES = Intl.supportedValuesOf('timeZone')
const CURRENCIES = Intl.supportedValuesOf('currency')

/** Units, sleep, places and habits of the kitchen. Every change is kept at once. */
export function KitchenRoom() {
  const { kitchen, format } = useKitchen()
  const { colorScheme, setColorScheme } = useMantineColorScheme()
  const [name, setName] = useState(kitchen.name)
  const change = (patch: Partial<KitchenEdit>) => {
    const edit = kitchenEditSchema.safeParse(kitchenToWire({ ...editOf(kitchen), ...patch }))
    if (!edit.success) return
    saveKitchen(kitchen, edit.data).catch((error: unknown) =>
      tellError(
        error instanceof Refusal && error.detail.code === 'stale'
          ? new Error('Another window changed the kitchen. What it chose is shown now; change it again if you like.')
          : error
      )
    )
  }
  const segments = <Value extends string>(label: string, values: readonly Value[], value: Value, onChange: (value: Value) => void) => (
    <div>
      <Text fw={500} mb={6}>
        {label}
      </Text>
      <SegmentedControl fullWidth data={[...values]} value={value} onChange={(v) => onChange(v as Value)} aria-label={label} />
    </div>
  )
  return (
    <div className={classes.page}>
      <h1 className={classes.title}>Kitchen</h1>
      <div className={classes.columns}>
        <div className={classes.stack}>
          <PlacesCard kitchen={kitchen} change={change} />
          <Card title="Habits">
            <div className={classes.stack}>
              {segments('When you like to mix', SCHOOLS, kitchen.school, (school) => change({ school }))}
              {segments('Cups and spoons', CUP_KINDS, kitchen.cups, (cups) => change({ cups }))}
              {segments('What counts as 100 %', PERCENTAGE_BASES, kitchen.base, (base) => change({ base }))}
              <Select
                label="Prices in"
                searchable
                data={CURRENCIES.includes(kitchen.currency) ? CURRENCIES : [kitchen.currency, ...CURRENCIES]}
                value={kitchen.currency}
                allowDeselect={false}
                onChange={(v) => v !== null && change({ currency: v })}
              />
              <Switch
                size="md"
                label="A second scale shows 0.1 g"
                checked={kitchen.smallScale}
                onChange={(e) => change({ smallScale: e.currentTarget.checked })}
              />
            </div>
          </Card>
          <Card title="Where it is">
            <Select
              label="Time zone"
              searchable
              data={ZONES.includes(kitchen.timeZone) ? ZONES : [kitchen.timeZone, ...ZONES]}
              value={kitchen.timeZone}
              onChange={(v) => v !== null && change({ timeZone: v })}
            />
          </Card>
          <Card title="Units">
            <SimpleGrid cols={{ base: 1, sm: 3 }}>
              {segments('Mass', ['g', 'oz'] as const, kitchen.mass, (mass) => change({ mass }))}
              {segments('Temperature', ['°C', '°F'] as const, kitchen.temperature, (temperature) => change({ temperature }))}
              {segments('Clock', ['24 h', '12 h'] as const, kitchen.clock, (clock) => change({ clock }))}
            </SimpleGrid>
            <Text c="dimmed" mt="sm">
              {format.mass(750)}, {format.temperature(24)}, {format.time(Date.UTC(2026, 0, 1, 15, 30))}
            </Text>
          </Card>
        </div>
        <div className={classes.stack}>
          <HoursCard kitchen={kitchen} change={change} />
          <CalendarCard />
          <DevicesCard />
          <VesselsCard />
          <Card title="This program">
            <div className={classes.stack}>
              <Button component={Link} to="/kitchen/copies" variant="default" rightSection={<IconArrowRight size={18} />}>
                Copies, moving house, and other devices
              </Button>
              <TextInput
                label="Name of the kitchen"
                value={name}
                maxLength={80}
                error={name.trim() === '' ? 'A name is needed.' : null}
                onChange={(e) => setName(e.currentTarget.value)}
                onBlur={() => name.trim() !== '' && name !== kitchen.name && change({ name: name.trim() })}
              />
              <div>
                <Text fw={500} mb={6}>
                  Light
                </Text>
                <SegmentedControl
                  fullWidth
                  aria-label="Light"
                  data={[
                    { value: 'auto', label: 'as the device' },
                    { value: 'light', label: 'bright' },
                    { value: 'dark', label: 'dim' }
                  ]}
                  value={colorScheme}
                  onChange={(v) => setColorScheme(v as typeof colorScheme)}
                />
              </div>
              <Switch size="md" label="Single-key shortcuts" checked={kitchen.keys} onChange={(e) => change({ keys: e.currentTarget.checked })} />
            </div>
          </Card>
        </div>
      </div>
    </div>
  )
}
