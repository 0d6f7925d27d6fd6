import { ActionIcon, Button, Group, SegmentedControl, Switch, Text, TextInput } from '@mantine/core'
import { IconCalendarDown, IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { ROUTES } from '../../../contract'
import { LATE_RISKS, type LateRisk } from '../../../core'
import { CALENDAR_CARD } from '../../../words/screens/kitchen'
import { makeCalendarAddress, revokeCalendarAddress, useCalendarAddresses } from '../../data/calendar'
import { useKitchen } from '../../data/kitchen'
import { askNotices, putReminderChoice, useReminders } from '../../data/reminders'
import { Card } from '../../parts/cards/Card'
import { tellError } from '../../parts/cards/tell'
import { useOnce } from '../../parts/useOnce'
import classes from './KitchenRoom.module.css'
import { TellOnce } from './TellOnce'

/** How one is reminded: on this device, and by a calendar. */
export function CalendarCard() {
  const { format } = useKitchen()
  const addresses = useCalendarAddresses()
  const [name, setName] = useState<string>(CALENDAR_CARD.myPhone)
  const [made, setMade] = useState<string | null>(null)
  const make = useOnce(() => makeCalendarAddress(name.trim()).then(setMade, tellError))
  return (
    <Card title={CALENDAR_CARD.reminders}>
      <OnThisDevice />
      <Text fw={600} mt="lg">
        {CALENDAR_CARD.inCalendar}
      </Text>
      <Text c="dimmed">{CALENDAR_CARD.everyStepWithAlarmTen}</Text>
      <Group mt="xs">
        <Button component="a" href={ROUTES.calendar} download="olvent.ics" variant="default" size="sm" leftSection={<IconCalendarDown size={18} />}>
          {CALENDAR_CARD.calendarFile}
        </Button>
      </Group>
      {addresses?.map((address) => (
        <Group key={address.id} wrap="nowrap" justify="space-between" mt="xs">
          <Text>
            {address.name}, {address.readAt === null ? CALENDAR_CARD.notAskedForYet : CALENDAR_CARD.lastAskedFor(format.dayTime(address.readAt))}
          </Text>
          <ActionIcon aria-label={CALENDAR_CARD.withdrawAddress(address.name)} onClick={() => revokeCalendarAddress(address.id).catch(tellError)}>
            <IconMinus size={20} />
          </ActionIcon>
        </Group>
      ))}
      {made !== null && <TellOnce says={CALENDAR_CARD.thisAddressToldOnlyNow} secret={made} />}
      <Group align="flex-end" mt="sm" wrap="nowrap">
        <TextInput label={CALENDAR_CARD.newAddressFor} value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} style={{ flex: 1 }} />
        <Button variant="default" disabled={name.trim() === '' || make.busy} onClick={() => make.run()}>
          {CALENDAR_CARD.make}
        </Button>
      </Group>
    </Card>
  )
}

const RISK_WORDS: Readonly<Record<LateRisk, string>> = { 5: 'early', 25: CALENDAR_CARD.inGoodTime, 50: CALENDAR_CARD.whenLikely }

/** Sound and notices of this device; what the browser allows is told. */
function OnThisDevice() {
  const { choice, notices } = useReminders()
  return (
    <div className={classes.stack}>
      <Switch
        size="md"
        label={CALENDAR_CARD.soundWhenStepDue}
        checked={choice.sound}
        onChange={(e) => putReminderChoice({ ...choice, sound: e.currentTarget.checked })}
      />
      <Switch
        size="md"
        label={CALENDAR_CARD.noticeThisDeviceWhereBrowser}
        checked={choice.notices && notices === 'granted'}
        disabled={notices === 'denied' || notices === 'missing'}
        description={notices === 'denied' ? CALENDAR_CARD.browserHasBeenToldNot : notices === 'missing' ? CALENDAR_CARD.thisBrowserShowsNoNotices : undefined}
        onChange={(e) => {
          const on = e.currentTarget.checked
          putReminderChoice({ ...choice, notices: on })
          if (on) void askNotices()
        }}
      />
      <div>
        <Text fw={500} mb={4}>
          {CALENDAR_CARD.whenToTellYouAbout}
        </Text>
        <SegmentedControl
          fullWidth
          data={LATE_RISKS.map((risk) => ({ value: String(risk), label: RISK_WORDS[risk] }))}
          value={String(choice.lateRisk)}
          onChange={(value) => putReminderChoice({ ...choice, lateRisk: LATE_RISKS.find((risk) => String(risk) === value) ?? choice.lateRisk })}
          aria-label={CALENDAR_CARD.whenToTellYouAbout}
        />
        <Text c="dimmed" mt={4}>
          {CALENDAR_CARD.halfHourBeforeReadyWhen(choice.lateRisk)}
        </Text>
      </div>
    </div>
  )
}
