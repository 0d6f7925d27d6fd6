import { Button, Drawer, Select, Stack, Switch, TextInput } from '@mantine/core'
import { useState } from 'react'
import { NOTHING_SAID, type StarterSaid, starterTold } from '../../../answers'
import { isoOf } from '../../../contract'
import { isCold } from '../../../core'
import { NEW_JAR_SHEET } from '../../../words/screens/parts-feed'
import { STARTER_FIELDS } from '../../../words/screens/parts-starter'
import { nowMs } from '../../data/clock'
import { openJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../cards/Card'
import { tellDone, tellError } from '../cards/tell'
import { PlaceSelect } from '../fields/PlaceSelect'
import { LastFedFields, StarterFields } from '../starter/StarterFields'

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
  const [now] = useState(nowMs)
  const [name, setName] = useState('')
  const [said, setSaid] = useState<StarterSaid>(NOTHING_SAID)
  const [placeId, setPlace] = useState(kitchen.places[0]?.id ?? '')
  const [vesselId, setVessel] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const cold = isCold(kitchen.places.find((p) => p.id === placeId)?.tempC ?? kitchen.tapTempC)
  const patch = (more: Partial<StarterSaid>) => setSaid((before) => ({ ...before, ...more }))
  const add = () => {
    if (name.trim() === '') return setProblem(STARTER_FIELDS.giveName)
    const told = starterTold(said, cold, now)
    openJar({ ...told, id: newId(), name: name.trim(), vesselId, placeId, lastFedAt: isoOf(told.lastFedAt) }).then(
      () => tellDone(NEW_JAR_SHEET.hasComeIntoKitchen(name.trim())),
      tellError
    )
    onClose()
  }
  return (
    <Stack
      component="form"
      gap="md"
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <TextInput label={STARTER_FIELDS.nameOfJar} data-autofocus maxLength={80} value={name} error={problem} onChange={(e) => setName(e.currentTarget.value)} />
      <PlaceSelect label={NEW_JAR_SHEET.whereStands} value={placeId} onPlace={({ id }) => setPlace(id)} />
      <Switch label={NEW_JAR_SHEET.dried} checked={said.dried} onChange={(e) => patch({ dried: e.currentTarget.checked })} />
      <StarterFields said={said} onSaid={patch} />
      <LastFedFields key={String(said.dried)} said={said} onSaid={patch} cold={cold} now={now} />
      {vessels.length > 0 && (
        <Select
          label={NEW_JAR_SHEET.vessel}
          placeholder={NEW_JAR_SHEET.notSaid}
          clearable
          data={vessels.map((v) => ({ value: v.id, label: NEW_JAR_SHEET.ml(v.name, v.capacityMl) }))}
          value={vesselId}
          onChange={setVessel}
        />
      )}
      <Note>{NEW_JAR_SHEET.leftOutIsGuess}</Note>
      <Button type="submit">{NEW_JAR_SHEET.addJar}</Button>
    </Stack>
  )
}
