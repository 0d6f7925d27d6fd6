import { Button, Drawer, Select, SimpleGrid, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { isoOf } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, type Culture, POSSIBLE } from '../../../core'
import { nowMs } from '../../data/clock'
import { openJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../Card'
import { PlaceSelect } from '../PlaceSelect'
import { QuantityField } from '../QuantityField'
import { tellDone, tellError } from '../tell'

/** A jar that comes into the kitchen. */
export function NewJarSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title="A new jar">
      {opened && <NewJarForm onClose={onClose} />}
    </Drawer>
  )
}

function NewJarForm({ onClose }: { onClose: () => void }) {
  const { kitchen, vessels } = useKitchen()
  const [name, setName] = useState('')
  const [culture, setCulture] = useState<Culture>('white wheat')
  const [vesselId, setVesselId] = useState<string | null>(null)
  const [inJar, setInJar] = useState(80)
  const [hydration, setHydration] = useState(1)
  const [hoursAgo, setHoursAgo] = useState(12)
  const [placeId, setPlaceId] = useState(kitchen.places[0]?.id ?? '')
  const [error, setError] = useState<string | null>(null)
  const add = () => {
    if (name.trim() === '') return setError('Give the jar a name.')
    openJar({
      id: newId(),
      name: name.trim(),
      culture,
      flour: CULTURE_TRAITS[culture].flour,
      vesselId,
      hydration,
      grams: inJar,
      lastFedAt: isoOf(nowMs() - hoursAgo * 3_600_000),
      placeId
    }).then(() => tellDone(`${name.trim()} has come into the kitchen.`), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <TextInput
        label="Name"
        value={name}
        error={error}
        data-autofocus
        onChange={(e) => {
          setName(e.currentTarget.value)
          setError(null)
        }}
        maxLength={80}
      />
      <Select
        label="Culture"
        description={CULTURE_TRAITS[culture].says}
        data={[...CULTURES]}
        value={culture}
        allowDeselect={false}
        onChange={(v) => {
          if (v === null) return
          setCulture(v as Culture)
          setHydration(CULTURE_TRAITS[v as Culture].hydration)
        }}
      />
      <SimpleGrid cols={2}>
        <QuantityField kind="mass" label="In the jar" value={inJar} range={[1, 20_000]} what="What is in the jar" onCommit={setInJar} />
        <QuantityField kind="percent" label="Hydration" value={hydration} range={[0.05, POSSIBLE.levainHydration[1]]} onCommit={setHydration} />
      </SimpleGrid>
      <QuantityField kind="parts" label="Last fed, hours ago" value={hoursAgo} range={[0, 24 * 60]} what="Hours since the last feed" onCommit={setHoursAgo} />
      <PlaceSelect label="Where it stands" value={placeId} onPlace={(place) => setPlaceId(place.id)} />
      {vessels.length > 0 && (
        <Select
          label="Vessel"
          placeholder="not said"
          clearable
          data={vessels.map((v) => ({ value: v.id, label: `${v.name}, ${v.capacityMl} ml` }))}
          value={vesselId}
          onChange={setVesselId}
        />
      )}
      <Note>Until Olvent knows its feeds, it is taken to have been fed one part to two of flour.</Note>
      <Button onClick={add}>Add the jar</Button>
    </Stack>
  )
}
