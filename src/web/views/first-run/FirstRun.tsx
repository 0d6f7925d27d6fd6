import { Button, Chip, Group, SegmentedControl, SimpleGrid, Text, TextInput } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { millisecondsInHour } from 'date-fns/constants'
import { useState } from 'react'
import { FIRST_JAR, FIRST_KITCHEN, FIRST_ROOM_C } from '../../../answers'
import { isoOf, type Kitchen } from '../../../contract'
import { type FlourKind, POSSIBLE, UNKNOWN_DOUGHS } from '../../../core'
import { FIRST_RUN } from '../../../words/screens/first-run'
import { nowMs } from '../../data/clock'
import { KitchenProvider, sendFirstRun, useKitchenHere } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { QuantityField } from '../../parts/fields/QuantityField'
import { JarDrawing } from '../../parts/jar/JarDrawing'
import { BringIn } from '../../parts/keeping/BringIn'
import classes from './FirstRun.module.css'

const FED = [
  { value: '4', label: FIRST_RUN.fewHoursAgo },
  { value: '12', label: FIRST_RUN.halfDayAgo },
  { value: '24', label: FIRST_RUN.dayAgo },
  { value: '72', label: FIRST_RUN.someDaysAgo },
  { value: '168', label: FIRST_RUN.weekOrMore }
]
const FLOURS: { value: FlourKind; label: string }[] = [
  { value: 'white wheat', label: FIRST_RUN.white },
  { value: 'wholegrain wheat', label: FIRST_RUN.wholegrain },
  { value: 'rye', label: FIRST_RUN.rye },
  { value: 'gluten-free', label: FIRST_RUN.glutenFree }
]

/** Stand-in until there is a kitchen: figures are typed in g and °C on the first run. */
const BEFORE: Kitchen = {
  ...FIRST_KITCHEN,
  id: '00000000-0000-4000-8000-000000000000',
  version: 1,
  demo: false,
  doughs: UNKNOWN_DOUGHS,
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
    if (name.trim() === '') return setProblem(FIRST_RUN.giveYourJarNameSo)
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
        lastFedAt: isoOf(nowMs() - Number(fed) * millisecondsInHour)
      }
    }).catch((error: unknown) => {
      setSending(false)
      setProblem(error instanceof Error ? error.message : FIRST_RUN.thatDidNotWork)
    })
  }
  return (
    <KitchenProvider value={here}>
      <main className={classes.page}>
        <p className={classes.name}>{FIRST_RUN.olvent}</p>
        <h1 className={classes.title}>{FIRST_RUN.yourKitchenInFourQuestions}</h1>
        <Text c="dimmed" mb="lg">
          {FIRST_RUN.fromJarStarterToLevain}
        </Text>
        <form
          className={classes.questions}
          onSubmit={(event) => {
            event.preventDefault()
            open()
          }}
        >
          <Card title={FIRST_RUN.whatInYourJar}>
            <Group wrap="nowrap" align="flex-start" gap="lg">
              <JarDrawing rise={1.9} top="domed" family={flour === 'rye' ? 'rye' : flour === 'gluten-free' ? 'other' : 'wheat'} height={120} />
              <div className={classes.grow}>
                <SimpleGrid cols={{ base: 1, xs: 2 }}>
                  <TextInput label={FIRST_RUN.nameJar} value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
                  <QuantityField kind="mass" label={FIRST_RUN.howMuchIn} what={FIRST_RUN.whatInJar} value={grams} range={[1, 20_000]} onCommit={setGrams} />
                </SimpleGrid>
                <SegmentedControl mt="sm" fullWidth data={FLOURS} value={flour} onChange={(v) => setFlour(v)} aria-label={FIRST_RUN.flourLivesOn} />
              </div>
            </Group>
          </Card>
          <Card title={FIRST_RUN.whenWasLastFed}>
            <Chip.Group value={fed} onChange={(v) => setFed(v)}>
              <div className={classes.choices} role="radiogroup" aria-label={FIRST_RUN.lastFed}>
                {FED.map(({ value, label }) => (
                  <Chip key={value} value={value} size="lg">
                    {label}
                  </Chip>
                ))}
              </div>
            </Chip.Group>
          </Card>
          <Card title={FIRST_RUN.howWarmRoom2}>
            <QuantityField
              kind="temperature"
              aria-label={FIRST_RUN.howWarmRoom}
              what={FIRST_RUN.room}
              value={roomTempC}
              range={POSSIBLE.tempC}
              onCommit={setRoom}
              maw={200}
            />
          </Card>
          <Card title={FIRST_RUN.whenDoYouSleep}>
            <SimpleGrid cols={2} maw={400}>
              <TimePicker
                label={FIRST_RUN.from}
                size="md"
                value={sleep.from}
                onChange={(from) => from !== '' && setSleep({ ...sleep, from: from.slice(0, 5) })}
                hoursInputLabel="Hour"
                minutesInputLabel="Minute"
              />
              <TimePicker
                label={FIRST_RUN.to}
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
            {FIRST_RUN.openKitchen}
          </Button>
        </form>
        <div className={classes.bring}>
          <Text>{FIRST_RUN.youHaveKitchenOnAnother}</Text>
          <BringIn label={FIRST_RUN.bringFileIn} />
        </div>
      </main>
    </KitchenProvider>
  )
}
