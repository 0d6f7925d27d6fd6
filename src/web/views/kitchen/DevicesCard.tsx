import { ActionIcon, Button, Group, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { IconMinus } from '@tabler/icons-react'
import { useState } from 'react'
import { DEVICE_KINDS, type Device, type DeviceDeed, type DeviceKind, devicePostSchema, type NewDevice, ROUTES } from '../../../contract'
import { POSSIBLE } from '../../../core'
import { DEVICE_WORDS, readingWords } from '../../../words'
import { DEVICES_CARD } from '../../../words/screens/kitchen'
import { addDevice, removeDevice, touchDevice, useDevices } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { useLatest } from '../../data/live'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useSchemaForm } from '../../parts/fields/useSchemaForm'
import classes from './KitchenRoom.module.css'
import { TellOnce } from './TellOnce'

/** Scale, probe, level and room sensor, pH meter: what they say now, a new one that pushes, and what moves the stand-ins. */
export function DevicesCard() {
  const { kitchen } = useKitchen()
  const devices = useDevices()
  const [made, setMade] = useState<{ readonly id: string; readonly token: string } | null>(null)
  const { form, problem, onSubmit } = useSchemaForm(devicePostSchema, newDevice(kitchen.places[0]?.id ?? null), (device) => {
    addDevice({ ...device, placeId: device.kind === 'room' ? device.placeId : null, resolution: RESOLUTION[device.kind] }).then((told) => {
      setMade(told)
      form.setValues(newDevice(device.placeId))
    }, tellError)
  })
  const { values: draft, setValues: edit } = form
  const words = made === null ? '' : DEVICES_CARD.curlXPostHAuthorization(window.location.origin, ROUTES.deviceReadings(made.id), made.token)
  return (
    <Card title={DEVICES_CARD.devices}>
      <Text c="dimmed">{DEVICES_CARD.benchReadsScaleProbeAnd}</Text>
      {devices.map((device) => (
        <DeviceRow key={device.id} device={device} />
      ))}
      {made !== null && <TellOnce says={DEVICES_CARD.tokenToldOnlyNowDevice} secret={words} />}
      <form onSubmit={onSubmit}>
        <SimpleGrid cols={{ base: 1, xs: 2 }} mt="md">
          <TextInput label={DEVICES_CARD.deviceYourOwn} placeholder={DEVICES_CARD.scaleByWindow} maxLength={80} {...form.getInputProps('name')} />
          <Select
            label={DEVICES_CARD.itIsA}
            data={DEVICE_KINDS.map((value) => ({ value, label: DEVICE_WORDS[value] }))}
            value={draft.kind}
            allowDeselect={false}
            onChange={(kind) => kind !== null && edit({ kind })}
          />
          {draft.kind === 'room' && (
            <Select
              label={DEVICES_CARD.hangsAt}
              data={kitchen.places.map((p) => ({ value: p.id, label: p.name }))}
              value={draft.placeId}
              allowDeselect={false}
              onChange={(placeId) => edit({ placeId })}
            />
          )}
        </SimpleGrid>
        {problem !== null && <Note tone="stop">{problem}</Note>}
        <Button type="submit" variant="default" mt="sm">
          {DEVICES_CARD.takeIn}
        </Button>
      </form>
      <Note tone="care">{DEVICES_CARD.heatingMatsProofersAndTheir}</Note>
    </Card>
  )
}

/** Smallest step a kind shows, in its unit. */
const RESOLUTION: Readonly<Record<DeviceKind, number>> = { scale: 1, probe: 0.1, level: 0.1, room: 0.1, 'pH meter': 0.01 }

/** What the form begins from. */
const newDevice = (placeId: string | null): NewDevice => ({ id: newId(), name: '', kind: 'scale', placeId })

/** One device with what it says now. */
function DeviceRow({ device }: { readonly device: Device }) {
  const { format } = useKitchen()
  const reading = useLatest(device.id)
  const says =
    reading === null ? (device.seenAt === null ? 'silent' : DEVICES_CARD.lastHeard(format.dayTime(device.seenAt))) : readingWords(device, reading.value, format)
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
  room: { label: DEVICES_CARD.room, deed: (tempC) => ({ do: 'warm', tempC }), range: [-20, 60], first: 22 },
  'pH meter': { label: DEVICES_CARD.putInto, deed: (pH) => ({ do: 'immerse', pH }), range: POSSIBLE.pH, first: 4.1 }
}

/** Moves what a stand-in measures. */
function StandIn({ device }: { readonly device: Device }) {
  const { label, deed, range, first } = MOVED[device.kind as Exclude<DeviceKind, 'scale'>]
  const [value, setValue] = useState(first)
  return (
    <Group align="flex-end" wrap="nowrap" gap="sm">
      <QuantityField
        kind={device.kind === 'level' ? 'millimetres' : device.kind === 'pH meter' ? 'parts' : 'temperature'}
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
