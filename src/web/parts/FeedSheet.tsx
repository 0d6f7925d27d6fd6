import { Button, Drawer, Group, Select, SimpleGrid, Stack, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Jar } from '../../contract'
import { FLOUR_KINDS, type FlourKind, POSSIBLE, pourManner, pourOrder } from '../../core'
import { nowMs } from '../data/clock'
import { feedJar, openJar, weighJar } from '../data/jars'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { Note } from './Card'
import { QuantityField } from './QuantityField'
import { tellDone, tellError } from './tell'

const grams = [1, POSSIBLE.grams[1]] as const

/** What a feed begins with. */
export interface FeedAmounts {
  readonly keepGrams: number
  readonly flourGrams: number
  readonly waterGrams: number
}

/** Feeds one jar: what is kept, what goes in, where it stands. */
export function FeedSheet({ jar, amounts, onClose }: { jar: Jar | null; amounts?: FeedAmounts; onClose: () => void }) {
  return (
    <Drawer opened={jar !== null} onClose={onClose} position="right" size="md" title={jar === null ? '' : `Feed ${jar.name}`}>
      {jar !== null && <FeedForm key={jar.id} jar={jar} amounts={amounts} onClose={onClose} />}
    </Drawer>
  )
}

function FeedForm({ jar, amounts, onClose }: { jar: Jar; amounts: FeedAmounts | undefined; onClose: () => void }) {
  const { kitchen, format } = useKitchen()
  const [keep, setKeep] = useState(amounts?.keepGrams ?? Math.min(Math.max(jar.keepMinimumGrams, 20), jar.grams))
  const [flour, setFlour] = useState(amounts?.flourGrams ?? 50)
  const [water, setWater] = useState(amounts?.waterGrams ?? Math.round(50 * jar.hydration))
  const [placeId, setPlaceId] = useState(jar.placeId)
  const [weighed, setWeighed] = useState(jar.grams)
  const place = kitchen.places.find((p) => p.id === placeId) ?? kitchen.places[0]
  const feed = () => {
    const happenedAt = new Date(nowMs()).toISOString()
    feedJar(jar, { id: newId(), happenedAt, keepGrams: keep, flourGrams: flour, waterGrams: water, mixTempC: Math.max(place?.tempC ?? 22, 18), placeId }).then(
      (undo) => tellDone(`${jar.name} is fed.`, undo),
      tellError
    )
    onClose()
  }
  const correct = () => {
    weighJar(jar, weighed, new Date(nowMs()).toISOString()).then(() => tellDone(`${jar.name} now holds ${format.mass(weighed)}.`), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <Text>
        {jar.name} holds {format.mass(jar.grams)} at {format.percent(jar.hydration, 0)}, last fed {format.dayTime(Date.parse(jar.line.startedAt))}.{' '}
        <Link to={`/jars/${jar.id}/pace`} onClick={onClose}>
          What Olvent knows of its pace
        </Link>
      </Text>
      <QuantityField kind="mass" label="Keep" value={keep} range={[1, Math.max(jar.grams, 1)]} what="What is kept" onCommit={setKeep} />
      <Text c="dimmed">
        {jar.grams - keep > 0 ? `${format.mass(jar.grams - keep)} goes to the discard pot: kept cold, used within a week, cooked.` : 'Nothing is discarded.'}
      </Text>
      <SimpleGrid cols={2}>
        {pourOrder(pourManner(jar.hydration, jar.flour))
          .filter((item) => item === 'flour' || item === 'water')
          .map((item) =>
            item === 'flour' ? (
              <QuantityField key={item} kind="mass" label={`Flour (${jar.flour})`} value={flour} range={grams} what="Flour" onCommit={setFlour} />
            ) : (
              <QuantityField key={item} kind="mass" label="Water" value={water} range={grams} what="Water" onCommit={setWater} />
            )
          )}
      </SimpleGrid>
      <Select
        label="Where it stands"
        data={kitchen.places.map((p) => ({ value: p.id, label: `${p.name}, ${format.temperature(p.tempC)}` }))}
        value={placeId}
        onChange={(v) => v !== null && setPlaceId(v)}
      />
      <Note tone="care">Lid on loosely: a sealed jar can burst. Pink, orange or fuzzy: throw all of it away.</Note>
      <Button onClick={feed}>Fed like this</Button>
      <Group align="flex-end" mt="lg" wrap="nowrap">
        <QuantityField
          kind="mass"
          label="The book is wrong? Weigh it"
          value={weighed}
          range={[0, 20_000]}
          what="What is in the jar"
          onCommit={setWeighed}
          style={{ flex: 1 }}
        />
        <Button variant="default" onClick={correct}>
          Correct
        </Button>
      </Group>
    </Stack>
  )
}

/** A jar that comes into the kitchen. */
export function NewJarSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title="A new jar">
      {opened && <NewJarForm onClose={onClose} />}
    </Drawer>
  )
}

function NewJarForm({ onClose }: { onClose: () => void }) {
  const { kitchen, format } = useKitchen()
  const [name, setName] = useState('')
  const [flour, setFlour] = useState<FlourKind>('white wheat')
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
      flour,
      hydration,
      grams: inJar,
      lastFedAt: new Date(nowMs() - hoursAgo * 3_600_000).toISOString(),
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
      <Select label="Flour it lives on" data={[...FLOUR_KINDS]} value={flour} onChange={(v) => v !== null && setFlour(v as FlourKind)} />
      <SimpleGrid cols={2}>
        <QuantityField kind="mass" label="In the jar" value={inJar} range={[1, 20_000]} what="What is in the jar" onCommit={setInJar} />
        <QuantityField kind="percent" label="Hydration" value={hydration} range={POSSIBLE.levainHydration} onCommit={setHydration} />
      </SimpleGrid>
      <QuantityField kind="parts" label="Last fed, hours ago" value={hoursAgo} range={[0, 24 * 60]} what="Hours since the last feed" onCommit={setHoursAgo} />
      <Select
        label="Where it stands"
        data={kitchen.places.map((p) => ({ value: p.id, label: `${p.name}, ${format.temperature(p.tempC)}` }))}
        value={placeId}
        onChange={(v) => v !== null && setPlaceId(v)}
      />
      <Note>Until Olvent knows its feeds, it is taken to have been fed one part to two of flour.</Note>
      <Button onClick={add}>Add the jar</Button>
    </Stack>
  )
}
