import { Button, Chip, Group, SegmentedControl, SimpleGrid, Text, TextInput } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { useState } from 'react'
import { FIRST_JAR, FIRST_KITCHEN, FIRST_ROOM_C } from '../../../answers'
import { isoOf, type Kitchen } from '../../../contract'
import { type FlourKind, POSSIBLE } from '../../../core'
import { nowMs } from '../../data/clock'
import { KitchenProvider, sendFirstRun, useKitchenHere } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { BringIn } from '../../parts/BringIn'
import { Card, Note } from '../../parts/Card'
import { JarDrawing } from '../../parts/jar/JarDrawing'
import { QuantityField } from '../../parts/QuantityField'
import classes from './FirstRun.module.css'

const MS_PER_HOUR = 3_600_000
const FED = [
  { value: '4', label: 'a few hours ago' },
  { value: '12', label: 'half a day ago' },
  { value: '24', label: 'a day ago' },
  { value: '72', label: 'some days ago' },
  { value: '168', label: 'a week or more' }
]
const FLOURS: { value: FlourKind; label: string }[] = [
  { value: 'white wheat', label: 'white' },
  { value: 'wholegrain wheat', label: 'wholegrain' },
  { value: 'rye', label: 'rye' },
  { value: 'gluten-free', label: 'gluten-free' }
]

/** Stand-in until there is a kitchen: figures are typed in g and °C on the first run. */
const BEFORE: Kitchen = {
  ...FIRST_KITCHEN,
  id: '00000000-0000-4000-8000-000000000000',
  version: 1,
  demo: false,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  places: []
}

/** Four questions that open the baker's own kitchen. */
export function FirstRun() {
  const here = useKitchenHere(BEFORE)
  const [ids] = useState(() => ({ kitchen: newId(), jar: newId() }))
  const [name, setName] = useState('')
  const [flour, setFlour] = useState<FlourKind>('white wheat')
  const [grams, setGrams] = useState<number>(FIRST_JAR.grams)
  const [fed, setFed] = useState('12')
  const [roomTempC, setRoom] = useState(FIRST_ROOM_C)
  const [sleep, setSleep] = useState(BEFORE.sleep)
  const [problem, setProblem] = useState<string | null>(null)
  const [sending, setSending] = useState(false)
  const open = () => {
    if (name.trim() === '') return setProblem('Give your jar a name, so that it can be told from others later.')
    setProblem(null)
    setSending(true)
    sendFirstRun({
      id: ids.kitchen,
      timeZone: BEFORE.timeZone,
      roomTempC,
      sleep,
      jar: {
        id: ids.jar,
        name: name.trim(),
        flour,
        ...FIRST_JAR,
        grams,
        lastFedAt: isoOf(nowMs() - Number(fed) * MS_PER_HOUR)
      }
    }).catch((error: unknown) => {
      setSending(false)
      setProblem(error instanceof Error ? error.message : 'That did not work.')
    })
  }
  return (
    <KitchenProvider value={here}>
      <main className={classes.page}>
        <p className={classes.name}>Olvent</p>
        <h1 className={classes.title}>Your kitchen, in four questions</h1>
        <Text c="dimmed" mb="lg">
          From a jar of starter to a levain that is ready when you want to mix. Everything can be changed later.
        </Text>
        <form
          className={classes.questions}
          onSubmit={(event) => {
            event.preventDefault()
            open()
          }}
        >
          <Card title="1 · What is in your jar?">
            <Group wrap="nowrap" align="flex-start" gap="lg">
              <JarDrawing rise={1.9} top="domed" family={flour === 'rye' ? 'rye' : flour === 'gluten-free' ? 'other' : 'wheat'} height={120} />
              <div className={classes.grow}>
                <SimpleGrid cols={{ base: 1, xs: 2 }}>
                  <TextInput label="Name of the jar" value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
                  <QuantityField kind="mass" label="How much is in it" what="What is in the jar" value={grams} range={[1, 20_000]} onCommit={setGrams} />
                </SimpleGrid>
                <SegmentedControl mt="sm" fullWidth data={FLOURS} value={flour} onChange={(v) => setFlour(v as FlourKind)} aria-label="Flour it lives on" />
              </div>
            </Group>
          </Card>
          <Card title="2 · When was it last fed?">
            <Chip.Group value={fed} onChange={(v) => setFed(v as string)}>
              <div className={classes.choices} role="radiogroup" aria-label="Last fed">
                {FED.map(({ value, label }) => (
                  <Chip key={value} value={value} size="lg">
                    {label}
                  </Chip>
                ))}
              </div>
            </Chip.Group>
          </Card>
          <Card title="3 · How warm is the room?">
            <QuantityField
              kind="temperature"
              aria-label="How warm the room is"
              what="The room"
              value={roomTempC}
              range={POSSIBLE.tempC}
              onCommit={setRoom}
              maw={200}
            />
          </Card>
          <Card title="4 · When do you sleep?">
            <SimpleGrid cols={2} maw={400}>
              <TimePicker
                label="From"
                size="md"
                value={sleep.from}
                onChange={(from) => from !== '' && setSleep({ ...sleep, from: from.slice(0, 5) })}
                hoursInputLabel="Hour"
                minutesInputLabel="Minute"
              />
              <TimePicker
                label="To"
                size="md"
                value={sleep.to}
                onChange={(to) => to !== '' && setSleep({ ...sleep, to: to.slice(0, 5) })}
                hoursInputLabel="Hour"
                minutesInputLabel="Minute"
              />
            </SimpleGrid>
          </Card>
          {problem !== null && <Note tone="stop">{problem}</Note>}
          <Button type="submit" size="xl" loading={sending}>
            Open the kitchen
          </Button>
        </form>
        <div className={classes.bring}>
          <Text>You have a kitchen on another computer?</Text>
          <BringIn label="Bring its file in …" />
        </div>
      </main>
    </KitchenProvider>
  )
}
