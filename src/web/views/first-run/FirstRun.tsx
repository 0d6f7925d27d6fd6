import { TZDate } from '@date-fns/tz'
import { Button, Chip, Group, SimpleGrid, Switch, Text, TextInput } from '@mantine/core'
import { TimePicker } from '@mantine/dates'
import { addDays, format as formatDate } from 'date-fns'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { FIRST_FRIDGE_C, FIRST_JAR, FIRST_KITCHEN, FIRST_ROOM_C, NOTHING_SAID, type StarterSaid, starterTold } from '../../../answers'
import { type FirstRun as Answers, isoOf, type Kitchen } from '../../../contract'
import { instantAt, isCold, POSSIBLE, UNKNOWN_DOUGHS } from '../../../core'
import { FIRST_RUN } from '../../../words/screens/first-run'
import { STARTER_FIELDS } from '../../../words/screens/parts-starter'
import { nowMs } from '../../data/clock'
import { KitchenProvider, sendFirstRun, useKitchen, useKitchenHere } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { QuantityField } from '../../parts/fields/QuantityField'
import { BringIn } from '../../parts/keeping/BringIn'
import { LastFedFields, StarterFields } from '../../parts/starter/StarterFields'
import classes from './FirstRun.module.css'

/** Where a starter is, or that there is none to be had yet. */
const WHERE = [
  { value: 'fridge', label: FIRST_RUN.inFridge },
  { value: 'room', label: FIRST_RUN.onWorktop },
  { value: 'elsewhere', label: FIRST_RUN.somewhereElse },
  { value: 'given', label: FIRST_RUN.givenToMe },
  { value: 'dried', label: FIRST_RUN.dried },
  { value: 'none', label: FIRST_RUN.noneYet }
] as const
type Where = (typeof WHERE)[number]['value']

/** Stand-in until there is a kitchen: figures are typed in g and °C on the first run. */
const BEFORE: Kitchen = {
  ...FIRST_KITCHEN,
  id: '00000000-0000-4000-8000-000000000000',
  version: 1,
  demo: false,
  doughs: UNKNOWN_DOUGHS,
  workSeen: {},
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  places: []
}
const WEEKDAYS = [1, 2, 3, 4, 5]
/** Days that are offered for the first bread. */
const DAYS_AHEAD = [1, 2, 3, 4, 5, 6]
const NO_DAY = 'none'

/** The questions that open the baker's own kitchen. */
export function FirstRun() {
  const here = useKitchenHere(BEFORE)
  return (
    <KitchenProvider value={here}>
      <main className={classes.page}>
        <p className={classes.name}>{FIRST_RUN.olvent}</p>
        <h1 className={classes.title}>{FIRST_RUN.yourKitchen}</h1>
        <Text c="dimmed" mb="lg">
          {FIRST_RUN.fromJarStarterToLevain}
        </Text>
        <Questions />
        <div className={classes.bring}>
          <Text>{FIRST_RUN.youHaveKitchenOnAnother}</Text>
          <BringIn label={FIRST_RUN.bringFileIn} />
        </div>
      </main>
    </KitchenProvider>
  )
}

function Questions() {
  const { format } = useKitchen()
  const [now] = useState(nowMs)
  const navigate = useNavigate()
  const [ids] = useState(() => ({ kitchen: newId(), jar: newId(), bake: newId(), out: newId() }))
  const [where, setWhere] = useState<Where | null>(null)
  const [name, setName] = useState<string>(STARTER_FIELDS.starter)
  const [said, setSaid] = useState<StarterSaid>(NOTHING_SAID)
  const [elsewhere, setElsewhere] = useState({ name: FIRST_RUN.aProofer as string, tempC: 24 })
  const [roomTempC, setRoom] = useState<number | null>(null)
  const [fridgeTempC, setFridge] = useState<number | null>(null)
  const [sleep, setSleep] = useState(BEFORE.sleep)
  const [out, setOut] = useState<{ readonly from: string; readonly to: string } | null>(null)
  const [bread, setBread] = useState({ day: NO_DAY, time: '12:00', loaves: 2 })
  const [problem, setProblem] = useState<string | null>(null)
  const [sending, setSending] = useState(false)
  const living = where !== null && where !== 'none' && where !== 'dried'
  const stands = where === 'fridge' || where === 'elsewhere' ? where : 'room'
  const cold = stands === 'fridge' || (stands === 'elsewhere' && isCold(elsewhere.tempC))
  const told = { ...said, dried: where === 'dried' }
  const patch = (more: Partial<StarterSaid>) => setSaid((before) => ({ ...before, ...more }))
  const outMs = living && bread.day !== NO_DAY ? momentOf(bread.day, bread.time) : null
  const next =
    where === 'none' ? '/programs/new' : where === 'dried' ? `/jars/${ids.jar}/programs` : outMs === null ? '/' : newBakeAt(ids.bake, outMs, bread.loaves)
  const open = () => {
    if (where === null) return setProblem(FIRST_RUN.sayWhere)
    if (where !== 'none' && name.trim() === '') return setProblem(STARTER_FIELDS.giveName)
    setProblem(null)
    setSending(true)
    const starter = starterTold(told, cold, now)
    const answers: Answers = {
      id: ids.kitchen,
      timeZone: BEFORE.timeZone,
      roomTempC,
      fridgeTempC,
      sleep,
      out: out === null ? null : { id: ids.out, name: FIRST_RUN.work, kind: 'out', days: WEEKDAYS, ...out },
      elsewhere: where === 'elsewhere' ? elsewhere : null,
      jar:
        where === 'none'
          ? null
          : { ...starter, id: ids.jar, name: name.trim(), keepMinimumGrams: FIRST_JAR.keepMinimumGrams, lastFedAt: isoOf(starter.lastFedAt), stands }
    }
    // The page is left before the kitchen opens: what opens then is the room the answers lead to.
    sendFirstRun(answers, () => void navigate(next)).catch((error: unknown) => {
      setSending(false)
      setProblem(error instanceof Error ? error.message : FIRST_RUN.thatDidNotWork)
    })
  }
  return (
    <form
      className={classes.questions}
      onSubmit={(event) => {
        event.preventDefault()
        open()
      }}
    >
      <Card title={FIRST_RUN.whereIsStarter}>
        <Chip.Group value={where ?? ''} onChange={(v) => setWhere(v as Where)}>
          <div className={classes.choices} role="radiogroup" aria-label={FIRST_RUN.whereIsStarter}>
            {WHERE.map(({ value, label }) => (
              <Chip key={value} value={value} size="lg">
                {label}
              </Chip>
            ))}
          </div>
        </Chip.Group>
        {where === 'elsewhere' && (
          <SimpleGrid cols={2} mt="md" maw={480}>
            <TextInput
              label={FIRST_RUN.placeName}
              value={elsewhere.name}
              maxLength={80}
              required
              withAsterisk={false}
              onChange={(e) => setElsewhere({ ...elsewhere, name: e.currentTarget.value })}
            />
            <QuantityField
              kind="temperature"
              label={FIRST_RUN.howWarmThere}
              what={FIRST_RUN.thePlace}
              value={elsewhere.tempC}
              range={POSSIBLE.tempC}
              onCommit={(tempC) => setElsewhere({ ...elsewhere, tempC })}
            />
          </SimpleGrid>
        )}
        {where === 'given' && <Note>{FIRST_RUN.askGiver}</Note>}
        {where === 'dried' && <Note>{FIRST_RUN.driedWakes}</Note>}
        {where === 'none' && <Note>{FIRST_RUN.noneStarts}</Note>}
      </Card>
      {where !== null && where !== 'none' && (
        <>
          <Card title={FIRST_RUN.whatIsItLike}>
            <div className={classes.fields}>
              <TextInput label={STARTER_FIELDS.nameOfJar} value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} maw={260} />
              <StarterFields said={told} onSaid={patch} />
            </div>
          </Card>
          <Card title={where === 'dried' ? FIRST_RUN.whenDried : FIRST_RUN.whenWasItFed}>
            <LastFedFields key={String(where === 'dried')} said={told} onSaid={patch} cold={cold} now={now} />
          </Card>
        </>
      )}
      {where !== null && (
        <>
          <Card title={FIRST_RUN.howWarm}>
            <SimpleGrid cols={2} maw={400}>
              <QuantityField
                kind="temperature"
                label={FIRST_RUN.kitchen}
                placeholder={FIRST_RUN.notMeasured}
                value={roomTempC}
                range={POSSIBLE.tempC}
                onCommit={setRoom}
                onClear={() => setRoom(null)}
              />
              <QuantityField
                kind="temperature"
                label={FIRST_RUN.fridge}
                placeholder={FIRST_RUN.notMeasured}
                value={fridgeTempC}
                range={POSSIBLE.tempC}
                onCommit={setFridge}
                onClear={() => setFridge(null)}
              />
            </SimpleGrid>
            <Text c="dimmed" mt={4}>
              {FIRST_RUN.guessUntil(format.temperature(FIRST_ROOM_C), format.temperature(FIRST_FRIDGE_C))}
            </Text>
          </Card>
          <Card title={FIRST_RUN.yourDay}>
            <SimpleGrid cols={2} maw={400}>
              <Clock label={FIRST_RUN.sleepFrom} value={sleep.from} onTime={(from) => setSleep({ ...sleep, from })} />
              <Clock label={FIRST_RUN.sleepTo} value={sleep.to} onTime={(to) => setSleep({ ...sleep, to })} />
            </SimpleGrid>
            <Switch
              mt="md"
              label={FIRST_RUN.outWeekdays}
              checked={out !== null}
              onChange={(e) => setOut(e.currentTarget.checked ? { from: '08:30', to: '17:30' } : null)}
            />
            {out !== null && (
              <SimpleGrid cols={2} maw={400} mt="sm">
                <Clock label={FIRST_RUN.outFrom} value={out.from} onTime={(from) => setOut({ ...out, from })} />
                <Clock label={FIRST_RUN.outTo} value={out.to} onTime={(to) => setOut({ ...out, to })} />
              </SimpleGrid>
            )}
          </Card>
        </>
      )}
      {living && (
        <Card title={FIRST_RUN.whenBread}>
          <Chip.Group value={bread.day} onChange={(day) => setBread({ ...bread, day })}>
            <div className={classes.choices} role="radiogroup" aria-label={FIRST_RUN.day}>
              <Chip value={NO_DAY}>{FIRST_RUN.notYet}</Chip>
              {DAYS_AHEAD.map((ahead) => {
                const day = addDays(new TZDate(now, BEFORE.timeZone), ahead)
                return (
                  <Chip key={ahead} value={formatDate(day, 'yyyy-MM-dd')}>
                    {formatDate(day, 'EEEE')}
                  </Chip>
                )
              })}
            </div>
          </Chip.Group>
          {bread.day !== NO_DAY && (
            <Group mt="md" align="flex-end">
              <Clock label={FIRST_RUN.outOfOvenBy} value={bread.time} onTime={(time) => setBread({ ...bread, time })} />
              <QuantityField
                kind="count"
                label={FIRST_RUN.loaves}
                value={bread.loaves}
                range={[1, 20]}
                onCommit={(loaves) => setBread({ ...bread, loaves })}
                w={110}
              />
            </Group>
          )}
        </Card>
      )}
      {problem !== null && <Note tone="stop">{problem}</Note>}
      <Button type="submit" size="xl" loading={sending}>
        {where === 'none' ? FIRST_RUN.beginStarter : where === 'dried' ? FIRST_RUN.wakeIt : outMs === null ? FIRST_RUN.openKitchen : FIRST_RUN.findSchedules}
      </Button>
    </form>
  )
}

/** A time of day. */
function Clock({ label, value, onTime }: { readonly label: string; readonly value: string; readonly onTime: (time: string) => void }) {
  return (
    <TimePicker
      label={label}
      size="md"
      value={value}
      onChange={(v) => v !== '' && onTime(v.slice(0, 5))}
      hoursInputLabel={FIRST_RUN.hourOf(label)}
      minutesInputLabel={FIRST_RUN.minuteOf(label)}
    />
  )
}

function momentOf(day: string, time: string): number {
  const [y = 0, m = 1, d = 1] = day.split('-').map(Number)
  return instantAt(y, m, d, time, BEFORE.timeZone)
}

const newBakeAt = (id: string, outMs: number, loaves: number) => `/bakes/new?${new URLSearchParams({ id, out: isoOf(outMs), loaves: String(loaves) })}`
