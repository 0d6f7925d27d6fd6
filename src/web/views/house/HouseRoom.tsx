import { Anchor, Button, Group, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { type Copies, ROUTES } from '../../../contract'
import { copyState } from '../../../words'
import { useAccess } from '../../data/access'
import { useNow } from '../../data/clock'
import { copyNow, moveCopies, useCopies } from '../../data/keeping'
import { useKitchen } from '../../data/kitchen'
import { BringIn } from '../../parts/BringIn'
import { Card } from '../../parts/Card'
import { HistoryButton } from '../../parts/History'
import { tellDone, tellError } from '../../parts/tell'
import { AccessCard } from './AccessCard'
import classes from './HouseRoom.module.css'

/** Keeping this kitchen safe: copies, the whole of it as one file, and the devices that may open it. */
export function HouseRoom() {
  return (
    <div className={classes.page}>
      <p className={classes.back}>
        <Anchor component={Link} to="/kitchen">
          Kitchen
        </Anchor>
      </p>
      <h1 className={classes.title}>Copies and devices</h1>
      <div className={classes.columns}>
        <div className={classes.stack}>
          <CopiesCard />
          <OneFileCard />
          <SettingsCard />
        </div>
        <AccessCard />
      </div>
    </div>
  )
}

const REASONS: Readonly<Record<Copies['copies'][number]['reason'], string>> = {
  day: 'by itself',
  asked: 'you asked for it',
  migration: 'before a new version',
  import: 'before a file was brought in'
}
const SHOWN = 5
const MB = 1_000_000

function CopiesCard() {
  const { kitchen, format } = useKitchen()
  const now = useNow()
  const copies = useCopies()
  const access = useAccess()
  const [busy, setBusy] = useState(false)
  const [all, setAll] = useState(false)
  if (copies === undefined) return <Card title="Copies">Looking …</Card>
  const state = copyState(copies, kitchen.demo, now)
  const make = () => {
    setBusy(true)
    copyNow()
      .then(() => tellDone('A copy is made.'), tellError)
      .finally(() => setBusy(false))
  }
  return (
    <Card title="Copies" tone={state.good ? undefined : 'care'}>
      <Text fw={600}>{state.words}</Text>
      <Text c="dimmed" mt={4}>
        {kitchen.demo
          ? 'The made-up kitchen is not copied by itself.'
          : 'One is made on each day you use Olvent: 7 days, 4 weeks and 12 months stay. Each is checked before it counts.'}
      </Text>
      {copies.failed !== null && <Text mt={4}>The last try failed: {copies.failed.why}</Text>}
      <ul className={classes.list}>
        {copies.copies.slice(0, all ? undefined : SHOWN).map((copy) => (
          <li key={`${copy.takenAt} ${copy.reason}`} className={classes.row}>
            <span>
              {format.dayTime(copy.takenAt)}, {REASONS[copy.reason]}
            </span>
            <span className={classes.size}>{Math.max(0.1, Math.round((copy.bytes / MB) * 10) / 10)} MB</span>
          </li>
        ))}
      </ul>
      <Group>
        <Button onClick={make} loading={busy}>
          Make a copy now
        </Button>
        {copies.copies.length > SHOWN && !all && (
          <Button variant="default" onClick={() => setAll(true)}>
            All {copies.copies.length}
          </Button>
        )}
      </Group>
      <FolderField folder={copies.folder} locked={access?.thisMachine !== true} />
      <Text c="dimmed" mt="md">
        To go back to a copy, stop Olvent and type: npm run restore -- last
      </Text>
    </Card>
  )
}

function FolderField({ folder, locked }: { readonly folder: string; readonly locked: boolean }) {
  const [typed, setTyped] = useState(folder)
  const [error, setError] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const move = () => {
    setBusy(true)
    setError(null)
    moveCopies(typed.trim())
      .then(
        () => tellDone('Copies are kept there from now on; the first one is made.'),
        (problem: Error) => setError(problem.message)
      )
      .finally(() => setBusy(false))
  }
  return (
    <Group align="flex-end" mt="md" wrap="nowrap">
      <TextInput
        label="Folder of the copies"
        description={locked ? 'It can be changed on the computer that runs Olvent.' : 'Another disk or a synced folder also survives a broken computer.'}
        value={typed}
        readOnly={locked}
        error={error}
        onChange={(e) => setTyped(e.currentTarget.value)}
        style={{ flex: 1 }}
      />
      {!locked && typed.trim() !== folder && (
        <Button variant="default" onClick={move} loading={busy}>
          Use it
        </Button>
      )}
    </Group>
  )
}

/** What the settings were before they were changed. */
function SettingsCard() {
  const { kitchen } = useKitchen()
  return (
    <Card title="Settings as they were">
      <HistoryButton what="kitchen" ofId={kitchen.id} title={kitchen.name} />
    </Card>
  )
}

function OneFileCard() {
  return (
    <Card title="Everything in one file">
      <Text c="dimmed">
        Jars, bakes, recipes, looks, grams and pictures in one zip file, in open formats. On another computer, bring it in there: it becomes the same kitchen.
      </Text>
      <Group mt="md">
        <Button component="a" href={ROUTES.takeAlong} download variant="default">
          Download everything
        </Button>
        <BringIn label="Bring a file in …" />
      </Group>
    </Card>
  )
}
