import { Select } from '@mantine/core'

/** When it happened, told after the fact: minutes before now. */
export const AGO = [
  { value: '0', label: 'just now' },
  { value: '10', label: '10 min ago' },
  { value: '20', label: '20 min ago' },
  { value: '30', label: '30 min ago' },
  { value: '60', label: '1 hour ago' },
  { value: '120', label: '2 hours ago' }
] as const

/** Chooses how long ago something was. */
export function WhenField({ label, minutesAgo, onChange }: { label: string; minutesAgo: number; onChange: (minutes: number) => void }) {
  return <Select label={label} data={[...AGO]} value={String(minutesAgo)} onChange={(v) => v !== null && onChange(Number(v))} />
}
