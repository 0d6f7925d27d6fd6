import { ActionIcon, Button, Group, SegmentedControl, Switch, Text, TextInput } from '@mantine/core'
import { IconCalendarDown, IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { ROUTES } from '../../../contract'
import { LATE_RISKS, type LateRisk } from '../../../core'
import { makeCalendarAddress, revokeCalendarAddress, useCalendarAddresses } from '../../data/calendar'
import { useKitchen } from '../../data/kitchen'
import { useReminderChoice } from '../../data/reminders'
import { Card } from '../../parts/Card'
import { tellError } from '../../parts/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './KitchenRoom.module.css'
import { TellOnce } from './TellOnce'

/** How one is reminded: on this device, and by a calendar. */
export function CalendarCard() {
  const { format } = useKitchen()
  const addresses = useCalendarAddresses()
  const [name, setName] = useState('My phone')
  const [made, setMade] = useState<string | null>(null)
  const make = useOnce(() => makeCalendarAddress(name.trim()).then(setMade, tellError))
  return (
    <Card title="Reminders">
      <OnThisDevice />
      <Text fw={600} mt="lg">
        In a calendar
      </Text>
      <Text c="dimmed">
        Every step with an alarm ten minutes before, and the window of each levain on its way. A file stands still; an address follows along with every look,
        and when a levain is late.
      </Text>
      <Group mt="xs">
        <Button component="a" href={ROUTES.calendar} download="olvent.ics" variant="default" size="sm" leftSection={<IconCalendarDown size={18} />}>
          Calendar file
        </Button>
      </Group>
      {addresses?.map((address) => (
        <Group key={address.id} wrap="nowrap" justify="space-between" mt="xs">
          <Text>
            {address.name}, {address.readAt === null ? 'not asked for yet' : `last asked for ${format.dayTime(address.readAt)}`}
          </Text>
          <ActionIcon aria-label={`Withdraw the address of ${address.name}`} onClick={() => revokeCalendarAddress(address.id).catch(tellError)}>
            <IconMinus size={20} />
          </ActionIcon>
        </Group>
      ))}
      {made !== null && <TellOnce says="This address is told only now. Whoever has it can read your steps; take it away here when it is lost." secret={made} />}
      <Group align="flex-end" mt="sm" wrap="nowrap">
        <TextInput label="A new address for" value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} style={{ flex: 1 }} />
        <Button variant="default" disabled={name.trim() === '' || make.busy} onClick={() => make.run()}>
          Make it
        </Button>
      </Group>
    </Card>
  )
}

const RISK_WORDS: Readonly<Record<LateRisk, string>> = { 5: 'early', 25: 'in good time', 50: 'when likely' }

/** Sound and notices of this device; what the browser allows is told. */
function OnThisDevice() {
  const { choice, put, notices, askNotices } = useReminderChoice()
  return (
    <div className={classes.stack}>
      <Switch size="md" label="A sound when a step is due" checked={choice.sound} onChange={(e) => put({ ...choice, sound: e.currentTarget.checked })} />
      <Switch
        size="md"
        label="A notice of this device, where the browser allows it"
        checked={choice.notices && notices === 'granted'}
        disabled={notices === 'denied' || notices === 'missing'}
        description={
          notices === 'denied'
            ? 'The browser has been told not to. Its settings for this address change that.'
            : notices === 'missing'
              ? 'This browser shows no notices for this address. Sound and badge still work.'
              : undefined
        }
        onChange={(e) => {
          const on = e.currentTarget.checked
          put({ ...choice, notices: on })
          if (on) void askNotices()
        }}
      />
      <div>
        <Text fw={500} mb={4}>
          When to tell you about a levain
        </Text>
        <SegmentedControl
          fullWidth
          data={LATE_RISKS.map((risk) => ({ value: String(risk), label: RISK_WORDS[risk] }))}
          value={String(choice.lateRisk)}
          onChange={(value) => put({ ...choice, lateRisk: LATE_RISKS.find((risk) => String(risk) === value) ?? choice.lateRisk })}
          aria-label="When to tell you about a levain"
        />
        <Text c="dimmed" mt={4}>
          Half an hour before it is ready, when it is ready, and before it is past: with at most a {choice.lateRisk} % chance of telling you too late.
        </Text>
      </div>
    </div>
  )
}
