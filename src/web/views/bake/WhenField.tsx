import { Select } from '@mantine/core'
import { WHEN_FIELD } from '../../../words/screens/bake'

/** When it happened, told after the fact: minutes before now. */
export const AGO = [
  { value: '0', label: WHEN_FIELD.justNow },
  { value: '10', label: WHEN_FIELD.minAgo },
  { value: '20', label: WHEN_FIELD.minAgo2 },
  { value: '30', label: WHEN_FIELD.minAgo3 },
  { value: '60', label: WHEN_FIELD.hourAgo },
  { value: '120', label: WHEN_FIELD.hoursAgo(2) },
  { value: '240', label: WHEN_FIELD.hoursAgo(4) },
  { value: '480', label: WHEN_FIELD.hoursAgo(8) },
  { value: '720', label: WHEN_FIELD.hoursAgo(12) },
  { value: '1440', label: WHEN_FIELD.hoursAgo(24) }
] as const

/** Chooses how long ago something was. */
export function WhenField({ label, minutesAgo, onChange }: { label: string; minutesAgo: number; onChange: (minutes: number) => void }) {
  return <Select label={label} data={[...AGO]} value={String(minutesAgo)} onChange={(v) => v !== null && onChange(Number(v))} />
}
