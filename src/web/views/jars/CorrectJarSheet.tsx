import { Button, Drawer, Skeleton, Stack, Text } from '@mantine/core'
import { useState } from 'react'
import { type StarterSaid, starterSaid, starterTold } from '../../../answers'
import type { Jar, JarTold } from '../../../contract'
import { isCold } from '../../../core'
import { CORRECT_JAR_SHEET } from '../../../words/screens/parts-starter'
import { nowMs } from '../../data/clock'
import { correctJar, useJarTold } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { LastFedFields, StarterFields } from '../../parts/starter/StarterFields'

/** What was told of a jar when it came, put right: what was made from it since follows. */
export function CorrectJarSheet({ jar, opened, onClose }: { readonly jar: Jar; readonly opened: boolean; readonly onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={CORRECT_JAR_SHEET.correct(jar.name)}>
      {opened && <Told jar={jar} onClose={onClose} />}
    </Drawer>
  )
}

function Told({ jar, onClose }: { readonly jar: Jar; readonly onClose: () => void }) {
  const { told, error } = useJarTold(jar.id)
  if (error !== undefined) return <Note tone="care">{CORRECT_JAR_SHEET.couldNotBeRead(error.message)}</Note>
  return told === undefined ? <Skeleton height={320} /> : <Form jar={jar} before={told} onClose={onClose} />
}

function Form({ jar, before, onClose }: { readonly jar: Jar; readonly before: JarTold; readonly onClose: () => void }) {
  const { kitchen } = useKitchen()
  const [now] = useState(nowMs)
  const [said, setSaid] = useState<StarterSaid>(() => starterSaid(before))
  const [placeId, setPlace] = useState(before.placeId)
  const cold = isCold(kitchen.places.find((p) => p.id === placeId)?.tempC ?? kitchen.tapTempC)
  const patch = (more: Partial<StarterSaid>) => setSaid((old) => ({ ...old, ...more }))
  const save = () => {
    const next: JarTold = { ...starterTold(said, cold, now), begun: before.begun, placeId }
    correctJar(jar, next).then(() => tellDone(CORRECT_JAR_SHEET.corrected(jar.name), () => correctJar(jar, before)), tellError)
    onClose()
  }
  return (
    <Stack
      component="form"
      gap="md"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <Text c="dimmed">{CORRECT_JAR_SHEET.whatFollows}</Text>
      <PlaceSelect label={CORRECT_JAR_SHEET.whereStood} value={placeId} onPlace={({ id }) => setPlace(id)} />
      <StarterFields said={said} onSaid={patch} />
      <LastFedFields said={said} onSaid={patch} cold={cold} now={now} />
      <Button type="submit">{CORRECT_JAR_SHEET.save}</Button>
    </Stack>
  )
}
