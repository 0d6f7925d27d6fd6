import { Anchor, Button, Group, Text, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { type Copies, ROUTES } from '../../../contract'
import { copyState } from '../../../words'
import { HOUSE_ROOM } from '../../../words/screens/house'
import { useAccess } from '../../data/access'
import { useNow } from '../../data/clock'
import { copyNow, moveCopies, useCopies } from '../../data/keeping'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { HistoryButton } from '../../parts/cards/History'
import { tellDone, tellError } from '../../parts/cards/tell'
import { BringIn } from '../../parts/keeping/BringIn'
import { AccessCard } from './AccessCard'
import classes from './HouseRoom.module.css'

/** Keeping this kitchen safe: copies, the whole of it as one file, and the devices that may open it. */
export function HouseRoom() {
  return (
    <div className={classes.page}>
      <p className={classes.back}>
        <Anchor component={Link} to="/kitchen">
          {HOUSE_ROOM.kitchen}
        </Anchor>
      </p>
      <h1 className={classes.title}>{HOUSE_ROOM.copiesAndDevices}</h1>
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
  day: HOUSE_ROOM.byItself,
  asked: HOUSE_ROOM.youAskedFor,
  migration: HOUSE_ROOM.beforeNewVersion,
  import: HOUSE_ROOM.beforeFileWasBroughtIn
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
  if (copies === undefined) return <Card title={HOUSE_ROOM.copies}>{HOUSE_ROOM.looking}</Card>
  const state = copyState(copies, kitchen.demo, now)
  const make = () => {
    setBusy(true)
    copyNow()
      .then(() => tellDone(HOUSE_ROOM.copyMade), tellError)
      .finally(() => setBusy(false))
  }
  return (
    <Card title={HOUSE_ROOM.copies} tone={state.good ? undefined : 'care'}>
      <Text fw={600}>{state.words}</Text>
      <Text c="dimmed" mt={4}>
        {kitchen.demo ? HOUSE_ROOM.madeUpKitchenNotCopied : HOUSE_ROOM.oneMadeOnEachDay}
      </Text>
      {copies.failed !== null && <Text mt={4}>{HOUSE_ROOM.lastTryFailed(copies.failed.why)}</Text>}
      <ul className={classes.list}>
        {copies.copies.slice(0, all ? undefined : SHOWN).map((copy) => (
          <li key={`${copy.takenAt} ${copy.reason}`} className={classes.row}>
            <span>
              {format.dayTime(copy.takenAt)}, {REASONS[copy.reason]}
            </span>
            <span className={classes.size}>{HOUSE_ROOM.mb(Math.max(0.1, Math.round((copy.bytes / MB) * 10) / 10))}</span>
          </li>
        ))}
      </ul>
      <Group>
        <Button onClick={make} loading={busy}>
          {HOUSE_ROOM.makeCopyNow}
        </Button>
        {copies.copies.length > SHOWN && !all && (
          <Button variant="default" onClick={() => setAll(true)}>
            {HOUSE_ROOM.all(copies.copies.length)}
          </Button>
        )}
      </Group>
      <FolderField folder={copies.folder} locked={access?.thisMachine !== true} />
      <Text c="dimmed" mt="md">
        {HOUSE_ROOM.toGoBackToCopy}
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
        () => tellDone(HOUSE_ROOM.copiesAreKeptThereFrom),
        (problem: Error) => setError(problem.message)
      )
      .finally(() => setBusy(false))
  }
  return (
    <Group align="flex-end" mt="md" wrap="nowrap">
      <TextInput
        label={HOUSE_ROOM.folderCopies}
        description={locked ? HOUSE_ROOM.canBeChangedOnComputer : HOUSE_ROOM.anotherDiskOrSyncedFolder}
        value={typed}
        readOnly={locked}
        error={error}
        onChange={(e) => setTyped(e.currentTarget.value)}
        style={{ flex: 1 }}
      />
      {!locked && typed.trim() !== folder && (
        <Button variant="default" onClick={move} loading={busy}>
          {HOUSE_ROOM.use}
        </Button>
      )}
    </Group>
  )
}

/** What the settings were before they were changed. */
function SettingsCard() {
  const { kitchen } = useKitchen()
  return (
    <Card title={HOUSE_ROOM.settingsAsTheyWere}>
      <HistoryButton what="kitchen" ofId={kitchen.id} title={kitchen.name} />
    </Card>
  )
}

function OneFileCard() {
  return (
    <Card title={HOUSE_ROOM.everythingInOneFile}>
      <Text c="dimmed">{HOUSE_ROOM.jarsBakesRecipesLooksGrams}</Text>
      <Group mt="md">
        <Button component="a" href={ROUTES.takeAlong} download variant="default">
          {HOUSE_ROOM.downloadEverything}
        </Button>
        <BringIn label={HOUSE_ROOM.bringFileIn} />
      </Group>
    </Card>
  )
}
