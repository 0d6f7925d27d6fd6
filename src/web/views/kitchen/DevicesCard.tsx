import { ActionIcon, Button, Group, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { DEVICE_KINDS, type Device, type DeviceDeed, type DeviceKind, ROUTES } from '../../../contract'
import { addDevice, removeDevice, touchDevice, useDevices } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { useLatest } from '../../data/live'
import { Card, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import { tellError } from '../../parts/tell'
import classes from './KitchenRoom.module.css'
import { TellOnce } from './TellOnce'

const KIND_WORDS: Readonly<Record<DeviceKind, string>> = { scale: 'Scale', probe: 'Probe', level: 'Level sensor', room: 'Room sensor' }

/** Scale, probe, level and room sensor: what they say now, a new one that pushes, and what moves the stand-ins. */
export function DevicesCard() {
  const { kitchen } = useKitchen()
  const devices = useDevices()
  const [name, setName] = useState('')
  const [kind, setKind] = useState<DeviceKind>('scale')
  const [placeId, setPlaceId] = useState(kitchen.places[0]?.id ?? null)
  const [made, setMade] = useState<{ readonly id: string; readonly token: string } | null>(null)
  const words =
    made === null
      ? ''
      : `curl -X POST ${window.location.origin}${ROUTES.deviceReadings(made.id)} -H 'Authorization: Bearer ${made.token}' -H 'Content-Type: application/json' -d '{"readings":[{"value":412}]}'`
  return (
    <Card title="Devices">
      <Text c="dimmed">
        The bench reads a scale, a probe and a level sensor where they are chosen there; typed figures always work. The stand-ins ship with Olvent, to try it.
      </Text>
      {devices.map((device) => (
        <DeviceRow key={device.id} device={device} />
      ))}
      {made !== null && <TellOnce says="Its token is told only now. A device that pushes its readings sends them like this:" secret={words} />}
      <SimpleGrid cols={{ base: 1, xs: 2 }} mt="md">
        <TextInput
          label="A device of your own"
          placeholder="Scale by the window"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Select
          label="It is a"
          data={DEVICE_KINDS.map((value) => ({ value, label: KIND_WORDS[value].toLowerCase() }))}
          value={kind}
          allowDeselect={false}
          onChange={(value) => value !== null && setKind(value as DeviceKind)}
        />
        {kind === 'room' && (
          <Select
            label="It hangs at"
            data={kitchen.places.map((p) => ({ value: p.id, label: p.name }))}
            value={placeId}
            allowDeselect={false}
            onChange={setPlaceId}
          />
        )}
      </SimpleGrid>
      <Button
        variant="default"
        mt="sm"
        disabled={name.trim() === ''}
        onClick={() => {
          addDevice({ name: name.trim(), kind, placeId: kind === 'room' ? placeId : null, resolution: kind === 'scale' ? 1 : 0.1 }).then((told) => {
            setMade(told)
            setName('')
          }, tellError)
        }}
      >
        Take it in
      </Button>
      <Note tone="care">Heating mats, proofers and their sensors: as their makers say; keep electrics dry.</Note>
    </Card>
  )
}

/** One device with what it says now. */
function DeviceRow({ device }: { readonly device: Device }) {
  const { format } = useKitchen()
  const reading = useLatest(device.id)
  const says =
    reading === null
      ? device.seenAt === null
        ? 'silent'
        : `last heard ${format.dayTime(device.seenAt)}`
      : device.kind === 'scale'
        ? format.mass(reading.value, device.resolution)
        : device.kind === 'level'
          ? `${Math.round(reading.value)} mm`
          : format.temperature(reading.value, 1)
  return (
    <div className={classes.device}>
      <Group wrap="nowrap" justify="space-between">
        <Text>
          {device.name}: <strong>{says}</strong>
        </Text>
        {!device.simulated && (
          <ActionIcon aria-label={`Take ${device.name} away`} onClick={() => removeDevice(device.id).catch(tellError)}>
            <IconMinus size={20} />
          </ActionIcon>
        )}
      </Group>
      {device.simulated && device.kind !== 'scale' && <StandIn device={device} />}
    </div>
  )
}

const MOVED: Readonly<
  Record<
    Exclude<DeviceKind, 'scale'>,
    { readonly label: string; readonly deed: (value: number) => DeviceDeed; readonly range: readonly [number, number]; readonly first: number }
  >
> = {
  probe: { label: 'What it is stuck into', deed: (tempC) => ({ do: 'dip', tempC }), range: [-20, 120], first: 25 },
  level: { label: 'A levain filled in to', deed: (levelMm) => ({ do: 'fill', levelMm }), range: [1, 300], first: 60 },
  room: { label: 'The room', deed: (tempC) => ({ do: 'warm', tempC }), range: [-20, 60], first: 22 }
}

/** Moves what a stand-in measures. */
function StandIn({ device }: { readonly device: Device }) {
  const { label, deed, range, first } = MOVED[device.kind as Exclude<DeviceKind, 'scale'>]
  const [value, setValue] = useState(first)
  return (
    <Group align="flex-end" wrap="nowrap" gap="sm">
      <QuantityField
        kind={device.kind === 'level' ? 'millimetres' : 'temperature'}
        label={label}
        value={value}
        range={range}
        onCommit={setValue}
        style={{ flex: 1 }}
      />
      <Button variant="default" onClick={() => touchDevice(device.id, deed(value)).catch(tellError)}>
        Do it
      </Button>
    </Group>
  )
}
