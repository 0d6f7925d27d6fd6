import { TZDate } from '@date-fns/tz'
import { SimpleGrid } from '@mantine/core'
import { DatePickerInput, TimePicker } from '@mantine/dates'
import { format as formatDate } from 'date-fns'
import { instantAt } from '../../../core'
import { MOMENT_FIELD } from '../../../words/screens/parts'
import { useKitchen } from '../../data/kitchen'

/** A day and a time by the kitchen's clock. */
export function MomentField({
  ms,
  fromMs,
  toMs,
  disabled = false,
  onMs
}: {
  ms: number
  fromMs: number
  /** Days after it cannot be chosen; left out: all can. */
  toMs?: number
  disabled?: boolean
  onMs: (ms: number) => void
}) {
  const { kitchen } = useKitchen()
  const local = new TZDate(ms, kitchen.timeZone)
  const day = formatDate(local, 'yyyy-MM-dd')
  const time = formatDate(local, 'HH:mm')
  const set = (nextDay: string, nextTime: string) => {
    const [y = 0, m = 1, d = 1] = nextDay.split('-').map(Number)
    if (!/^\d{4}-\d{2}-\d{2}$/.test(nextDay) || !/^\d{2}:\d{2}/.test(nextTime)) return
    onMs(instantAt(y, m, d, nextTime.slice(0, 5), kitchen.timeZone))
  }
  return (
    <SimpleGrid cols={2}>
      <DatePickerInput
        label={MOMENT_FIELD.day}
        size="md"
        disabled={disabled}
        valueFormat="ddd D MMM"
        value={day}
        maxDate={toMs === undefined ? undefined : formatDate(new TZDate(toMs, kitchen.timeZone), 'yyyy-MM-dd')}
        minDate={formatDate(new TZDate(fromMs, kitchen.timeZone), 'yyyy-MM-dd')}
        onChange={(v) => v !== null && set(v, time)}
        firstDayOfWeek={1}
      />
      <TimePicker
        label={MOMENT_FIELD.time}
        size="md"
        disabled={disabled}
        format={kitchen.clock === '12 h' ? '12h' : '24h'}
        value={time}
        onChange={(v) => v !== '' && set(day, v)}
        hoursInputLabel="Hour"
        minutesInputLabel="Minute"
      />
    </SimpleGrid>
  )
}
