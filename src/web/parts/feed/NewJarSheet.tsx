import { Button, Drawer, Select, SimpleGrid, Stack, TextInput } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { isoOf } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, type Culture, POSSIBLE } from '../../../core'
import { NEW_JAR_SHEET } from '../../../words/screens/parts-feed'
import { nowMs } from '../../data/clock'
import { openJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../cards/Card'
import { tellDone, tellError } from '../cards/tell'
import { PlaceSelect } from '../fields/PlaceSelect'
import { QuantityField } from '../fields/QuantityField'

/** A jar that comes into the kitchen. */
export function NewJarSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={NEW_JAR_SHEET.newJar}>
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
    if (name.trim() === '') return setError(NEW_JAR_SHEET.giveJarName)
    openJar({
      id: newId(),
      name: name.trim(),
      culture,
      flour: CULTURE_TRAITS[culture].flour,
      vesselId,
      hydration,
      grams: inJar,
      lastFedAt: isoOf(nowMs() - hoursAgo * millisecondsInHour),
      placeId
    }).then(() => tellDone(NEW_JAR_SHEET.hasComeIntoKitchen(name.trim())), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <TextInput
        label={NEW_JAR_SHEET.nameWord}
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
        label={NEW_JAR_SHEET.culture}
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
        <QuantityField kind="mass" label={NEW_JAR_SHEET.inJar} value={inJar} range={[1, 20_000]} what={NEW_JAR_SHEET.whatInJar} onCommit={setInJar} />
        <QuantityField kind="percent" label={NEW_JAR_SHEET.hydration} value={hydration} range={[0.05, POSSIBLE.levainHydration[1]]} onCommit={setHydration} />
      </SimpleGrid>
      <QuantityField
        kind="parts"
        label={NEW_JAR_SHEET.lastFedHoursAgo}
        value={hoursAgo}
        range={[0, 24 * 60]}
        what={NEW_JAR_SHEET.hoursSinceLastFeed}
        onCommit={setHoursAgo}
      />
      <PlaceSelect label={NEW_JAR_SHEET.whereStands} value={placeId} onPlace={(place) => setPlaceId(place.id)} />
      {vessels.length > 0 && (
        <Select
          label={NEW_JAR_SHEET.vessel}
          placeholder={NEW_JAR_SHEET.notSaid}
          clearable
          data={vessels.map((v) => ({ value: v.id, label: NEW_JAR_SHEET.ml(v.name, v.capacityMl) }))}
          value={vesselId}
          onChange={setVesselId}
        />
      )}
      <Note>{NEW_JAR_SHEET.untilOlventKnowsFeedsTaken}</Note>
      <Button onClick={add}>{NEW_JAR_SHEET.addJar}</Button>
    </Stack>
  )
}
