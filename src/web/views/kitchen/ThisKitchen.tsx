import { Button, SegmentedControl, Select, Switch, Text, TextInput, useMantineColorScheme } from '@mantine/core'
import { IconArrowRight } from '@tabler/icons-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { THIS_KITCHEN } from '../../../words/screens/kitchen'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
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
      <Card title={THIS_KITCHEN.kitchen}>
        <div className={classes.stack}>
          <TextInput
            label={THIS_KITCHEN.nameWord}
            value={name}
            maxLength={80}
            error={name.trim() === '' ? THIS_KITCHEN.giveKitchenName : null}
            onChange={(e) => setName(e.currentTarget.value)}
            onBlur={() => name.trim() !== '' && name !== kitchen.name && change({ name: name.trim() })}
          />
          <Select
            label={THIS_KITCHEN.timeZone}
            searchable
            data={ZONES.includes(kitchen.timeZone) ? ZONES : [kitchen.timeZone, ...ZONES]}
            value={kitchen.timeZone}
            allowDeselect={false}
            onChange={(v) => v !== null && change({ timeZone: v })}
          />
          <Select
            label={THIS_KITCHEN.currency}
            searchable
            data={CURRENCIES.includes(kitchen.currency) ? CURRENCIES : [kitchen.currency, ...CURRENCIES]}
            value={kitchen.currency}
            allowDeselect={false}
            onChange={(v) => v !== null && change({ currency: v })}
          />
          <Button component={Link} to="/kitchen/copies" variant="default" rightSection={<IconArrowRight size={18} />}>
            {THIS_KITCHEN.copiesMovingHouseAndOther}
          </Button>
        </div>
      </Card>
      <Card title={THIS_KITCHEN.thisWindow}>
        <div className={classes.stack}>
          <div>
            <Text fw={500} mb={6}>
              {THIS_KITCHEN.light}
            </Text>
            <SegmentedControl
              fullWidth
              aria-label={THIS_KITCHEN.light}
              data={[
                { value: 'auto', label: THIS_KITCHEN.asDevice },
                { value: 'light', label: THIS_KITCHEN.bright },
                { value: 'dark', label: THIS_KITCHEN.dim }
              ]}
              value={colorScheme}
              onChange={(v) => setColorScheme(v)}
            />
          </div>
          <Switch
            size="md"
            label={THIS_KITCHEN.singleKeyShortcuts}
            description={THIS_KITCHEN.pressToSeeThemAll}
            checked={kitchen.keys}
            onChange={(e) => change({ keys: e.currentTarget.checked })}
          />
        </div>
      </Card>
    </div>
  )
}
