import { Button, Drawer, Stack, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Jar } from '../../../contract'
import { splitJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../../parts/Card'
import { PlaceSelect } from '../../parts/PlaceSelect'
import { QuantityField } from '../../parts/QuantityField'
import { tellDone, tellError } from '../../parts/tell'

/** Some of a jar goes into a new one: a spare for the cold, or one for a friend. */
export function SplitSheet({ jar, opened, onClose }: { jar: Jar; opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={`A new jar from ${jar.name}`}>
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
    return (
      <Note tone="care">
        {jar.name} holds {format.mass(jar.grams)} and keeps at least {format.mass(jar.keepMinimumGrams)}: nothing can be spared. Feed it first.
      </Note>
    )
  }
  const split = () => {
    if (name.trim() === '') return setError('Give the jar a name.')
    splitJar(jar, { jarId: newId(), name: name.trim(), grams, placeId }).then((undo) => tellDone(`${name.trim()} is a jar of its own now.`, undo), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <Text>
        {jar.name} can spare {format.mass(spare)} and keep its least. The new jar is as {jar.name} is now; feed it before it goes into the cold.
      </Text>
      <TextInput
        label="Name"
        value={name}
        error={error}
        data-autofocus
        maxLength={80}
        onChange={(e) => {
          setName(e.currentTarget.value)
          setError(null)
        }}
      />
      <QuantityField kind="mass" label="Goes into it" value={grams} range={[1, spare]} what="What goes into the new jar" onCommit={setGrams} />
      <PlaceSelect label="Where it stands" value={placeId} onPlace={(place) => setPlaceId(place.id)} />
      <Button onClick={split}>Make the new jar</Button>
    </Stack>
  )
}
