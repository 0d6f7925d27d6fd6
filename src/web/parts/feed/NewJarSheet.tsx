import { Button, Drawer, Select, SimpleGrid, Stack, TextInput } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { isoOf, type JarOpening, jarOpeningSchema } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, POSSIBLE } from '../../../core'
import { NEW_JAR_SHEET } from '../../../words/screens/parts-feed'
import { nowMs } from '../../data/clock'
import { openJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../cards/Card'
import { tellDone, tellError } from '../cards/tell'
import { PlaceSelect } from '../fields/PlaceSelect'
import { QuantityField } from '../fields/QuantityField'
import { useSchemaForm } from '../fields/useSchemaForm'

/** A jar that comes into the kitchen. */
export function NewJarSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={NEW_JAR_SHEET.newJar}>
      {opened && <NewJarForm onClose={onClose} />}
    </Drawer>
  )
}

const FIRST_CULTURE = 'white wheat'

/** What the sheet begins from. */
const newJar = (placeId: string): JarOpening => ({
  id: newId(),
  name: '',
  culture: FIRST_CULTURE,
  flour: CULTURE_TRAITS[FIRST_CULTURE].flour,
  vesselId: null,
  grams: 80,
  hydration: 1,
  lastFedAt: isoOf(nowMs()),
  placeId
})

function NewJarForm({ onClose }: { onClose: () => void }) {
  const { kitchen, vessels } = useKitchen()
  const [hoursAgo, setHoursAgo] = useState(12)
  const { form, problem, onSubmit } = useSchemaForm(jarOpeningSchema, newJar(kitchen.places[0]?.id ?? ''), (jar) => {
    openJar({ ...jar, lastFedAt: isoOf(nowMs() - hoursAgo * millisecondsInHour) }).then(() => tellDone(NEW_JAR_SHEET.hasComeIntoKitchen(jar.name)), tellError)
    onClose()
  })
  const { values: jar, setValues: edit } = form
  const { culture = FIRST_CULTURE } = jar
  return (
    <Stack component="form" gap="md" onSubmit={onSubmit}>
      <TextInput label={NEW_JAR_SHEET.nameWord} data-autofocus maxLength={80} {...form.getInputProps('name')} />
      <Select
        label={NEW_JAR_SHEET.culture}
        description={CULTURE_TRAITS[culture].says}
        data={[...CULTURES]}
        value={culture}
        allowDeselect={false}
        onChange={(v) => {
          if (v === null) return
          edit({ culture: v, flour: CULTURE_TRAITS[v].flour, hydration: CULTURE_TRAITS[v].hydration })
        }}
      />
      <SimpleGrid cols={2}>
        <QuantityField
          kind="mass"
          label={NEW_JAR_SHEET.inJar}
          value={jar.grams}
          range={[1, 20_000]}
          what={NEW_JAR_SHEET.whatInJar}
          onCommit={(grams) => edit({ grams })}
        />
        <QuantityField
          kind="percent"
          label={NEW_JAR_SHEET.hydration}
          value={jar.hydration}
          range={[0.05, POSSIBLE.levainHydration[1]]}
          onCommit={(hydration) => edit({ hydration })}
        />
      </SimpleGrid>
      <QuantityField
        kind="parts"
        label={NEW_JAR_SHEET.lastFedHoursAgo}
        value={hoursAgo}
        range={[0, 24 * 60]}
        what={NEW_JAR_SHEET.hoursSinceLastFeed}
        onCommit={setHoursAgo}
      />
      <PlaceSelect label={NEW_JAR_SHEET.whereStands} value={jar.placeId} onPlace={(place) => edit({ placeId: place.id })} />
      {vessels.length > 0 && (
        <Select
          label={NEW_JAR_SHEET.vessel}
          placeholder={NEW_JAR_SHEET.notSaid}
          clearable
          data={vessels.map((v) => ({ value: v.id, label: NEW_JAR_SHEET.ml(v.name, v.capacityMl) }))}
          value={jar.vesselId}
          onChange={(vesselId) => edit({ vesselId })}
        />
      )}
      <Note>{NEW_JAR_SHEET.untilOlventKnowsFeedsTaken}</Note>
      {problem !== null && <Note tone="stop">{problem}</Note>}
      <Button type="submit">{NEW_JAR_SHEET.addJar}</Button>
    </Stack>
  )
}
