import { Button, Group, Select } from '@mantine/core'
import type { DeviceKind } from '../../../contract'
import { DEVICE_LABELS, DEVICE_WORDS, readingWords } from '../../../words'
import { READ_FROM } from '../../../words/screens/parts-weigh'
import { useChosenDevice } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { useLatest } from '../../data/live'
import { tellDone } from '../cards/tell'

/** Takes a figure from a device, where there is one. */
export function ReadFrom({ kind, onRead }: { readonly kind: DeviceKind; readonly onRead?: (value: number) => void }) {
  const { device, all, choose } = useChosenDevice(kind)
  const { format } = useKitchen()
  const reading = useLatest(device?.id ?? null)
  if (all.length === 0) return null
  const words = reading === null ? 'silent' : readingWords({ kind, resolution: device?.resolution ?? 1 }, reading.value, format)
  return (
    <Group gap="sm" mt="xs" align="flex-end" maw="100%" miw={0}>
      <Select
        label={DEVICE_LABELS[kind]}
        data={[{ value: 'none', label: READ_FROM.typedByHand }, ...all.map((d) => ({ value: d.id, label: d.name }))]}
        value={device?.id ?? 'none'}
        onChange={(value) => value !== null && choose(value === 'none' ? null : value)}
        style={{ flex: '0 1 13.75rem', minWidth: 0 }}
      />
      {device !== null && onRead !== undefined && (
        <Button
          variant="default"
          disabled={reading === null}
          onClick={() => {
            if (reading === null) return
            onRead(reading.value)
            tellDone(READ_FROM.takenFrom(DEVICE_WORDS[kind], words))
          }}
        >
          {READ_FROM.take(words)}
        </Button>
      )}
    </Group>
  )
}
