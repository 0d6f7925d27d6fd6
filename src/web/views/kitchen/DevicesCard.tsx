import { ActionIcon, Button, Group, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { DEVICE_KINDS, type Device, type DeviceDeed, type DeviceKind, ROUTES } from '../../../contract'
import { DEVICES_CARD } from '../../../words/screens/kitchen'
import { addDevice, removeDevice, touchDevice, useDevices } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { useLatest } from '../../data/live'
import { Card, Note } from '../../parts/cards/Card'
import { tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import classes from './KitchenRoom.module.css'
import { TellOnce } from './TellOnce'

const KIND_WORDS: Readonly<Record<DeviceKind, string>> = { scale: 'Scale', probe: 'Probe', level: DEVICES_CARD.levelSensor, room: DEVICES_CARD.roomSensor }

/** Scale, probe, level and room sensor: what they say now, a new one that pushes, and what moves the stand-ins. */
export function DevicesCard() {
  const { kitchen } = useKitchen()
  const devices = useDevices()
  const [name, setName] = useState('')
  const [kind, setKind] = useState<DeviceKind>('scale')
  const [placeId, setPlaceId] = useState(kitchen.places[0]?.id ?? null)
  const [made, setMade] = useState<{ readonly id: string; readonly token: string } | null>(null)
  const words = made === null ? '' : DEVICES_CARD.curlXPostHAuthorization(window.location.origin, ROUTES.deviceReadings(made.id), made.token)
  return (
    <Card title={DEVICES_CARD.devices}>
      <Text c="dimmed">{DEVICES_CARD.benchReadsScaleProbeAnd}</Text>
      {devices.map((device) => (
        <DeviceRow key={device.id} device={device} />
      ))}
      {made !== null && <TellOnce says={DEVICES_CARD.tokenToldOnlyNowDevice} secret={words} />}
      <SimpleGrid cols={{ base: 1, xs: 2 }} mt="md">
        <TextInput
          label={DEVICES_CARD.deviceYourOwn}
          placeholder={DEVICES_CARD.scaleByWindow}
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Select
          label={DEVICES_CARD.itIsA}
          data={DEVICE_KINDS.map((value) => ({ value, label: KIND_WORDS[value].toLowerCase() }))}
          value={kind}
          allowDeselect={false}
          onChange={(value) => value !== null && setKind(value as DeviceKind)}
        />
        {kind === 'room' && (
          <Select
            label={DEVICES_CARD.hangsAt}
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
        {DEVICES_CARD.takeIn}
      </Button>
      <Note tone="care">{DEVICES_CARD.heatingMatsProofersAndTheir}</Note>
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
        : DEVICES_CARD.lastHeard(format.dayTime(device.seenAt))
      : device.kind === 'scale'
        ? format.mass(reading.value, device.resolution)
        : device.kind === 'level'
          ? DEVICES_CARD.mm(Math.round(reading.value))
          : format.temperature(reading.value, 1)
  return (
    <div className={classes.device}>
      <Group wrap="nowrap" justify="space-between">
        <Text>
          {device.name}: <strong>{says}</strong>
        </Text>
        {!device.simulated && (
          <ActionIcon aria-label={DEVICES_CARD.takeAway(device.name)} onClick={() => removeDevice(device.id).catch(tellError)}>
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
  probe: { label: DEVICES_CARD.whatStuckInto, deed: (tempC) => ({ do: 'dip', tempC }), range: [-20, 120], first: 25 },
  level: { label: DEVICES_CARD.levainFilledInTo, deed: (levelMm) => ({ do: 'fill', levelMm }), range: [1, 300], first: 60 },
  room: { label: DEVICES_CARD.room, deed: (tempC) => ({ do: 'warm', tempC }), range: [-20, 60], first: 22 }
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
        {DEVICES_CARD.doWord}
      </Button>
    </Group>
  )
}
