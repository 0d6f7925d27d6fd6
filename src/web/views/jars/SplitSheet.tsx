import { Button, Drawer, Stack, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Jar } from '../../../contract'
import { SPLIT_SHEET } from '../../../words/screens/jars'
import { splitJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { QuantityField } from '../../parts/fields/QuantityField'

/** Some of a jar goes into a new one: a spare for the cold, or one for a friend. */
export function SplitSheet({ jar, opened, onClose }: { jar: Jar; opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={SPLIT_SHEET.newJarFrom(jar.name)}>
      {opened && <SplitForm jar={jar} onClose={onClose} />}
    </Drawer>
  )
}

const USUAL_GRAMS = 30

function SplitForm({ jar, onClose }: { jar: Jar; onClose: () => void }) {
  const { kitchen, format } = useKitchen()
  const spare = Math.max(jar.grams - jar.keepMinimumGrams, 0)
  const [name, setName] = useState('')
  const [grams, setGrams] = useState(Math.min(USUAL_GRAMS, spare))
  const [placeId, setPlaceId] = useState(kitchen.places.at(-1)?.id ?? jar.placeId)
  const [error, setError] = useState<string | null>(null)
  if (spare < 1) {
    return <Note tone="care">{SPLIT_SHEET.holdsAndKeepsAtLeast(jar.name, format.mass(jar.grams), format.mass(jar.keepMinimumGrams))}</Note>
  }
  const split = () => {
    if (name.trim() === '') return setError(SPLIT_SHEET.giveJarName)
    splitJar(jar, { jarId: newId(), name: name.trim(), grams, placeId }).then((undo) => tellDone(SPLIT_SHEET.jarOwnNow(name.trim()), undo), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <Text>{SPLIT_SHEET.canSpareAndKeepLeast(jar.name, format.mass(spare))}</Text>
      <TextInput
        label={SPLIT_SHEET.nameWord}
        value={name}
        error={error}
        data-autofocus
        maxLength={80}
        onChange={(e) => {
          setName(e.currentTarget.value)
          setError(null)
        }}
      />
      <QuantityField kind="mass" label={SPLIT_SHEET.goesInto} value={grams} range={[1, spare]} what={SPLIT_SHEET.whatGoesIntoNewJar} onCommit={setGrams} />
      <PlaceSelect label={SPLIT_SHEET.whereStands} value={placeId} onPlace={(place) => setPlaceId(place.id)} />
      <Button onClick={split}>{SPLIT_SHEET.makeNewJar}</Button>
    </Stack>
  )
}
