import { ActionIcon, Button, Chip, FileButton, Group, Modal, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { useDisclosure } from '@mantine/hooks'
import { IconCalendarDown, IconMinus, IconPlus } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import type { Kitchen, KitchenEdit, Once, Weekly } from '../../../contract'
import { BUSY_KINDS, type BusyKind } from '../../../core'
import { HOURS_CARD } from '../../../words/screens/kitchen'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { logReader, textOf } from '../../data/logs'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { MomentField } from '../../parts/fields/MomentField'
import classes from './KitchenRoom.module.css'

const DAY_NAMES = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']
const KIND_WORDS: Readonly<Record<BusyKind, string>> = { out: HOURS_CARD.notAtHome, 'rather not': HOURS_CARD.ratherNot }
/** A calendar file is read so far ahead, ms. */
const AHEAD_MS = 60 * 24 * millisecondsInHour
const SHOWN = 6

/** When the baker sleeps, is out, or would rather not: no step is planned into it. */
export function HoursCard({ kitchen, change }: { readonly kitchen: Kitchen; readonly change: (patch: Partial<KitchenEdit>) => void }) {
  const clock = kitchen.clock === '12 h' ? '12h' : '24h'
  const time = (label: string, value: string, onTime: (value: string) => void) => (
    <TimePicker
      label={label}
      size="md"
      format={clock}
      value={value}
      onChange={(v) => v !== '' && onTime(v.slice(0, 5))}
      hoursInputLabel={HOURS_CARD.hour(label)}
      minutesInputLabel={HOURS_CARD.minute(label)}
    />
  )
  return (
    <Card title={HOURS_CARD.yourHours}>
      <SimpleGrid cols={2}>
        {time(HOURS_CARD.asleepFrom, kitchen.sleep.from, (from) => change({ sleep: { ...kitchen.sleep, from } }))}
        {time(HOURS_CARD.asleepUntil, kitchen.sleep.to, (to) => change({ sleep: { ...kitchen.sleep, to } }))}
      </SimpleGrid>
      <EveryWeek kitchen={kitchen} change={change} time={time} />
      <OnceOnly kitchen={kitchen} change={change} />
    </Card>
  )
}

function EveryWeek({
  kitchen,
  change,
  time
}: {
  readonly kitchen: Kitchen
  readonly change: (patch: Partial<KitchenEdit>) => void
  readonly time: (label: string, value: string, onTime: (value: string) => void) => React.ReactNode
}) {
  const put = (id: string, patch: Partial<Weekly>) => change({ weekly: kitchen.weekly.map((w) => (w.id === id ? { ...w, ...patch } : w)) })
  const add = () => change({ weekly: [...kitchen.weekly, { id: newId(), name: 'Work', kind: 'out', days: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }] })
  return (
    <>
      <Text fw={600} mt="lg">
        {HOURS_CARD.everyWeek}
      </Text>
      {kitchen.weekly.length === 0 && <Text c="dimmed">{HOURS_CARD.workSchoolRunsTrainingWhat}</Text>}
      {kitchen.weekly.map((busy) => (
        <div key={busy.id} className={classes.place}>
          <Group wrap="nowrap" align="flex-end" gap="sm">
            <TextInput
              aria-label={HOURS_CARD.what}
              defaultValue={busy.name}
              maxLength={80}
              style={{ flex: 1 }}
              onBlur={(e) => {
                if (e.currentTarget.value.trim() === '') e.currentTarget.value = busy.name
                else if (e.currentTarget.value !== busy.name) put(busy.id, { name: e.currentTarget.value.trim() })
              }}
            />
            <Select
              aria-label={HOURS_CARD.howFirm(busy.name)}
              data={BUSY_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }))}
              value={busy.kind}
              allowDeselect={false}
              w={150}
              onChange={(v) => v !== null && put(busy.id, { kind: v })}
            />
            <ActionIcon
              aria-label={HOURS_CARD.takeAway(busy.name)}
              onClick={() => {
                change({ weekly: kitchen.weekly.filter((w) => w.id !== busy.id) })
              }}
            >
              <IconMinus size={20} />
            </ActionIcon>
          </Group>
          <SimpleGrid cols={2} mt="xs">
            {time(HOURS_CARD.from(busy.name), busy.from, (from) => put(busy.id, { from }))}
            {time(HOURS_CARD.to(busy.name), busy.to, (to) => put(busy.id, { to }))}
          </SimpleGrid>
          <Group gap={6} mt="xs">
            {DAY_NAMES.map((name, i) => (
              <Chip
                key={name}
                size="sm"
                checked={busy.days.includes(i + 1)}
                onChange={(on) => {
                  const days = on ? [...busy.days, i + 1].sort() : busy.days.filter((d) => d !== i + 1)
                  if (days.length > 0) put(busy.id, { days })
                }}
              >
                {name}
              </Chip>
            ))}
          </Group>
        </div>
      ))}
      <Button variant="subtle" size="sm" leftSection={<IconPlus size={18} />} onClick={add}>
        {HOURS_CARD.somethingEveryWeek}
      </Button>
    </>
  )
}

function OnceOnly({ kitchen, change }: { readonly kitchen: Kitchen; readonly change: (patch: Partial<KitchenEdit>) => void }) {
  const { format } = useKitchen()
  const [asking, ask] = useDisclosure(false)
  const [all, show] = useDisclosure(false)
  const [refused, setRefused] = useState<string | null>(null)
  const [reading, setReading] = useState(false)
  const now = nowMs()
  const coming = kitchen.once.filter((o) => o.to > now).sort((a, b) => a.from - b.from)
  const bring = async (file: File | null) => {
    if (file === null) return
    setReading(true)
    const readIt = async () => await logReader().readCalendar(await textOf(file), now, now + AHEAD_MS, kitchen.timeZone)
    const read = await readIt().finally(() => setReading(false))
    if (!read.ok) {
      setRefused(read.problem.code === 'not a calendar' ? HOURS_CARD.noCalendarIcalendarFileEnds(file.name) : HOURS_CARD.hasNoTimeInThat(file.name))
      return
    }
    setRefused(null)
    const { times, wholeDays, cut } = read.value
    const name = (read.value.name || file.name).slice(0, 80)
    const before = kitchen.once
    const once: Once[] = [
      ...before.filter((o) => o.calendar !== name),
      ...times.map((t) => ({
        id: newId(),
        name: t.name,
        kind: t.kind,
        from: t.fromMs,
        to: t.toMs,
        calendar: name
      }))
    ]
    change({ once })
    const more = [wholeDays > 0 ? HOURS_CARD.wholeDaysAreLeftOut(wholeDays) : '', cut ? HOURS_CARD.moreThanAreLeftOut : ''].filter((w) => w !== '')
    tellDone(HOURS_CARD.timesFromAreIn(times.length, name, more.length > 0 ? `; ${more.join(', ')}` : ''))
  }
  return (
    <>
      <Text fw={600} mt="lg">
        {HOURS_CARD.once}
      </Text>
      {coming.length === 0 && <Text c="dimmed">{HOURS_CARD.eveningOutDayAwayTyped}</Text>}
      {(all ? coming : coming.slice(0, SHOWN)).map((busy) => (
        <Group key={busy.id} wrap="nowrap" gap="sm" justify="space-between">
          <Text>
            {busy.name}, {format.dayTime(busy.from)} – {busy.to - busy.from < 18 * millisecondsInHour ? format.time(busy.to) : format.dayTime(busy.to)}
            {busy.kind === 'rather not' && HOURS_CARD.ratherNot2}
          </Text>
          <ActionIcon aria-label={HOURS_CARD.takeAway(busy.name)} onClick={() => change({ once: kitchen.once.filter((o) => o.id !== busy.id) })}>
            <IconMinus size={20} />
          </ActionIcon>
        </Group>
      ))}
      {coming.length > SHOWN && (
        <Button variant="subtle" size="sm" onClick={show.toggle}>
          {all ? HOURS_CARD.fewer : HOURS_CARD.all(coming.length)}
        </Button>
      )}
      {refused !== null && <Note tone="stop">{refused}</Note>}
      <Group mt="xs" gap="xs">
        <Button variant="subtle" size="sm" leftSection={<IconPlus size={18} />} onClick={ask.open}>
          {HOURS_CARD.time}
        </Button>
        <FileButton accept="text/calendar,.ics" onChange={(file) => void bring(file).catch(tellError)}>
          {(button) => (
            <Button {...button} variant="subtle" size="sm" loading={reading} leftSection={<IconCalendarDown size={18} />}>
              {HOURS_CARD.fromCalendarFile}
            </Button>
          )}
        </FileButton>
      </Group>
      <Modal opened={asking} onClose={ask.close} title={HOURS_CARD.timeThatTaken}>
        <OnceForm
          now={now}
          onKeep={(once) => {
            change({ once: [...kitchen.once, once] })
            ask.close()
          }}
        />
      </Modal>
    </>
  )
}

function OnceForm({ now, onKeep }: { readonly now: number; readonly onKeep: (once: Once) => void }) {
  const start = Math.ceil(now / millisecondsInHour) * millisecondsInHour
  const [name, setName] = useState('Out')
  const [kind, setKind] = useState<BusyKind>('out')
  const [from, setFrom] = useState(start)
  const [to, setTo] = useState(start + 3 * millisecondsInHour)
  const wrong = to <= from ? HOURS_CARD.hasToEndAfterBegins : name.trim() === '' ? HOURS_CARD.nameNeeded : null
  return (
    <div className={classes.stack}>
      <TextInput label={HOURS_CARD.what} value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
      <Select
        label={HOURS_CARD.howFirm2}
        data={BUSY_KINDS.map((k) => ({ value: k, label: KIND_WORDS[k] }))}
        value={kind}
        allowDeselect={false}
        onChange={(v) => v !== null && setKind(v)}
      />
      <Text fw={500}>{HOURS_CARD.from2}</Text>
      <MomentField ms={from} fromMs={now} onMs={setFrom} />
      <Text fw={500}>{HOURS_CARD.to2}</Text>
      <MomentField ms={to} fromMs={now} onMs={setTo} />
      {wrong !== null && <Note tone="care">{wrong}</Note>}
      <Button disabled={wrong !== null} onClick={() => onKeep({ id: newId(), name: name.trim(), kind, from: from, to: to })}>
        {HOURS_CARD.keepFree}
      </Button>
    </div>
  )
}
