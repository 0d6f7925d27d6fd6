import { Button, SegmentedControl, Select, Switch, Text, TextInput, useMantineColorScheme } from '@mantine/core'
import { IconArrowRight } from '@tabler/icons-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/Card'
import classes from './KitchenRoom.module.css'
import { useChange } from './useChange'

const ZONES = Intl.supportedValuesOf('timeZone')
const CURRENCIES = Intl.supportedValuesOf('currency')

/** Name, time zone and prices of the kitchen, how this window looks, and the way to its copies. */
export function ThisKitchen() {
  const { kitchen } = useKitchen()
  const change = useChange()
  const { colorScheme, setColorScheme } = useMantineColorScheme()
  const [name, setName] = useState(kitchen.name)
  return (
    <div className={classes.columns}>
      <Card title="The kitchen">
        <div className={classes.stack}>
          <TextInput
            label="Name"
            value={name}
            maxLength={80}
            error={name.trim() === '' ? 'Give the kitchen a name.' : null}
            onChange={(e) => setName(e.currentTarget.value)}
            onBlur={() => name.trim() !== '' && name !== kitchen.name && change({ name: name.trim() })}
          />
          <Select
            label="Time zone"
            searchable
            data={ZONES.includes(kitchen.timeZone) ? ZONES : [kitchen.timeZone, ...ZONES]}
            value={kitchen.timeZone}
            allowDeselect={false}
            onChange={(v) => v !== null && change({ timeZone: v })}
          />
          <Select
            label="Currency"
            searchable
            data={CURRENCIES.includes(kitchen.currency) ? CURRENCIES : [kitchen.currency, ...CURRENCIES]}
            value={kitchen.currency}
            allowDeselect={false}
            onChange={(v) => v !== null && change({ currency: v })}
          />
          <Button component={Link} to="/kitchen/copies" variant="default" rightSection={<IconArrowRight size={18} />}>
            Copies, moving house, and other devices
          </Button>
        </div>
      </Card>
      <Card title="This window">
        <div className={classes.stack}>
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
          <Switch
            size="md"
            label="Single-key shortcuts"
            description="Press ? to see them all."
            checked={kitchen.keys}
            onChange={(e) => change({ keys: e.currentTarget.checked })}
          />
        </div>
      </Card>
    </div>
  )
}
