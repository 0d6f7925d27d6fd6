import { Button, Group, PasswordInput, Text } from '@mantine/core'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { type Access, PASSPHRASE_LENGTH, type Pairing, type Session } from '../../../contract'
import { addressFor, changePassphrase, makePairing, signOut, useAccess } from '../../data/access'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/Card'
import { tellDone, tellError } from '../../parts/tell'
import classes from './HouseRoom.module.css'

/** Devices that may open this kitchen, a code for another one, and the passphrase. */
export function AccessCard() {
  const access = useAccess()
  if (access === undefined) return <Card title="Your other devices">Looking …</Card>
  return (
    <Card title="Your other devices">
      {access.atHome && access.hasPassphrase ? (
        <Text>
          On a phone or tablet of your network, open <strong>{access.addresses[0]}</strong>
          {' and sign in with the passphrase.'}
        </Text>
      ) : access.atHome ? (
        <Text>Set a passphrase first. Then a phone or tablet of your network opens {access.addresses[0]} and signs in with it.</Text>
      ) : (
        <Text>
          Only this computer can open the kitchen now. To open it on your phone, stop Olvent and type <strong>npm start -- --home</strong>. It asks for a
          passphrase first.
        </Text>
      )}
      {access.sessions.length > 0 && (
        <ul className={classes.list}>
          {access.sessions.map((session) => (
            <Device key={session.id} session={session} />
          ))}
        </ul>
      )}
      {access.atHome && access.hasPassphrase && <Pair access={access} />}
      <Passphrase access={access} />
    </Card>
  )
}

function Device({ session }: { readonly session: Session }) {
  const { format } = useKitchen()
  return (
    <li className={classes.row}>
      <span>
        {session.name}
        {session.here ? ', this device' : `, last seen ${format.dayTime(session.seenAt)}`}
      </span>
      <Button variant="default" size="sm" onClick={() => signOut(session.id).then(() => tellDone(`${session.name} is signed out.`), tellError)}>
        Sign out
      </Button>
    </li>
  )
}

const CODE_PX = 168
const MS_PER_MINUTE = 60_000

/** A code for the camera of another device. */
function Pair({ access }: { readonly access: Access }) {
  const now = useNow()
  const [pairing, setPairing] = useState<Pairing | null>(null)
  const left = pairing === null ? 0 : Math.ceil((pairing.until - now) / MS_PER_MINUTE)
  if (pairing === null || left <= 0)
    return (
      <Button mt="md" onClick={() => makePairing().then(setPairing, tellError)}>
        Let a device in by a code
      </Button>
    )
  const address = `${addressFor(access)}/pair#${pairing.code}`
  return (
    <div className={classes.code}>
      <QRCodeSVG value={address} size={CODE_PX} level="M" marginSize={2} title="Lets one device in" />
      <Text maw={260}>
        Point the camera of the other device at it. It works once, for {left === 1 ? 'one more minute' : `${left} more minutes`}, and needs no passphrase.
      </Text>
    </div>
  )
}

/** Sets or changes the passphrase. */
function Passphrase({ access }: { readonly access: Access }) {
  const [open, setOpen] = useState(false)
  const [current, setCurrent] = useState('')
  const [next, setNext] = useState('')
  const [error, setError] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const label = access.hasPassphrase ? 'Change the passphrase' : 'Set a passphrase'
  if (!open)
    return (
      <Group mt="md">
        <Button variant="default" onClick={() => setOpen(true)}>
          {label}
        </Button>
      </Group>
    )
  const asksCurrent = access.hasPassphrase && !access.thisMachine
  const save = () => {
    setBusy(true)
    setError(null)
    changePassphrase(next, asksCurrent ? current : undefined)
      .then(
        () => {
          setOpen(false)
          setNext('')
          setCurrent('')
          tellDone('The passphrase is set. Other devices sign in again.')
        },
        (problem: Error) => setError(problem.message)
      )
      .finally(() => setBusy(false))
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      {asksCurrent && (
        <PasswordInput mt="md" label="Present passphrase" autoComplete="current-password" value={current} onChange={(e) => setCurrent(e.currentTarget.value)} />
      )}
      <PasswordInput
        mt="md"
        label="New passphrase"
        description={`At least ${PASSPHRASE_LENGTH} characters; four or five words are good.`}
        autoComplete="new-password"
        value={next}
        error={error}
        onChange={(e) => setNext(e.currentTarget.value)}
      />
      <Group mt="md">
        <Button type="submit" loading={busy} disabled={next.length < PASSPHRASE_LENGTH}>
          Save
        </Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </Group>
    </form>
  )
}
