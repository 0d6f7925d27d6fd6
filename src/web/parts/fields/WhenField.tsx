import { Select } from '@mantine/core'
import { millisecondsInDay, millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import { WHEN_FIELD } from '../../../words/screens/parts'
import { useNow } from '../../data/clock'
import { MomentField } from './MomentField'

/** How long ago something may have been, min; anything else is told by day and time. */
const AGO = [0, 10, 20, 30, 60, 120, 240, 480, 720, 1440]
const OTHER = 'other'
/** So far back something may be told, days. */
const FARTHEST_DAYS = 60

/** When it happened, told after the fact: so long ago, or at a day and time. */
export function WhenField({
  label,
  minutesAgo,
  onChange
}: {
  readonly label: string
  readonly minutesAgo: number
  readonly onChange: (minutes: number) => void
}) {
  const now = useNow()
  const [other, setOther] = useState(false)
  const known = AGO.includes(minutesAgo)
  const open = other || !known
  return (
    <div>
      <Select
        label={label}
        allowDeselect={false}
        data={[...AGO.map((minutes) => ({ value: String(minutes), label: WHEN_FIELD.ago(minutes) })), { value: OTHER, label: WHEN_FIELD.atAnotherTime }]}
        value={open ? OTHER : String(minutesAgo)}
        onChange={(v) => {
          setOther(v === OTHER)
          if (v !== null && v !== OTHER) onChange(Number(v))
        }}
      />
      {open && (
        <MomentField
          ms={now - minutesAgo * millisecondsInMinute}
          fromMs={now - FARTHEST_DAYS * millisecondsInDay}
          toMs={now}
          onMs={(ms) => onChange(Math.max(Math.round((now - ms) / millisecondsInMinute), 0))}
        />
      )}
    </div>
  )
}
