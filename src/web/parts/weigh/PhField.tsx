import { Group } from '@mantine/core'
import { POSSIBLE } from '../../../core'
import { PH_FIELD } from '../../../words/screens/parts-weigh'
import { QuantityField } from '../fields/QuantityField'
import { ReadFrom } from './ReadFrom'

/**
 * pH as a meter shows it, typed or taken from one.
 * @param value null: nothing was measured; the field is empty then
 */
export function PhField({
  value,
  expected,
  onRead
}: {
  readonly value: number | null
  readonly expected: number
  readonly onRead: (pH: number | null) => void
}) {
  const read = (pH: number) => onRead(Math.min(Math.max(pH, POSSIBLE.pH[0]), POSSIBLE.pH[1]))
  return (
    <Group gap="sm" mt="sm" align="flex-end">
      <QuantityField
        style={{ flex: '1 1 9rem' }}
        kind="parts"
        label={PH_FIELD.pHByMeter}
        what={PH_FIELD.pH}
        value={value}
        placeholder={PH_FIELD.expectedNow(expected.toFixed(1))}
        range={POSSIBLE.pH}
        onCommit={onRead}
        onClear={() => onRead(null)}
      />
      <ReadFrom kind="pH meter" onRead={read} />
    </Group>
  )
}
