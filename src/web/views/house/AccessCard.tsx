import { Button, Group, PasswordInput, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { type Access, PASSPHRASE_LENGTH, type Pairing, type Session } from '../../../contract'
import { ACCESS_CARD } from '../../../words/screens/house'
import { addressFor, changePassphrase, makePairing, signOut, useAccess } from '../../data/access'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import classes from './HouseRoom.module.css'

/** Devices that may open this kitchen, a code for another one, and the passphrase. */
export function AccessCard() {
  const access = useAccess()
  if (access === undefined) return <Card title={ACCESS_CARD.yourOtherDevices}>{ACCESS_CARD.looking}</Card>
  return (
    <Card title={ACCESS_CARD.yourOtherDevices}>
      {access.atHome && access.hasPassphrase ? (
        <Text>
          {ACCESS_CARD.onPhoneOrTabletYour}
          <strong>{access.addresses[0]}</strong>
          {ACCESS_CARD.andSignInWithPassphrase}
        </Text>
      ) : access.atHome ? (
        <Text>
          {ACCESS_CARD.setPassphraseFirstThenPhone}
          {access.addresses[0]}
          {ACCESS_CARD.andSignsInWith}
        </Text>
      ) : (
        <Text>
          {ACCESS_CARD.onlyThisComputerCanOpen}
          <strong>{ACCESS_CARD.npmStartHome}</strong>
          {ACCESS_CARD.asksForPassphraseFirst}
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
        {session.here ? ACCESS_CARD.thisDevice : ACCESS_CARD.lastSeen(format.dayTime(session.seenAt))}
      </span>
      <Button variant="default" size="sm" onClick={() => signOut(session.id).then(() => tellDone(ACCESS_CARD.signedOut(session.name)), tellError)}>
        {ACCESS_CARD.signOut}
      </Button>
    </li>
  )
}

const CODE_PX = 168

/** A code for the camera of another device. */
function Pair({ access }: { readonly access: Access }) {
  const now = useNow()
  const [pairing, setPairing] = useState<Pairing | null>(null)
  const left = pairing === null ? 0 : Math.ceil((pairing.until - now) / millisecondsInMinute)
  if (pairing === null || left <= 0)
    return (
      <Button mt="md" onClick={() => makePairing().then(setPairing, tellError)}>
        {ACCESS_CARD.letDeviceInByCode}
      </Button>
    )
  const address = `${addressFor(access)}/pair#${pairing.code}`
  return (
    <div className={classes.code}>
      <QRCodeSVG value={address} size={CODE_PX} level="M" marginSize={2} title={ACCESS_CARD.letsOneDeviceIn} />
      <Text maw={260}>{ACCESS_CARD.pointCameraOtherDeviceAt(left === 1 ? ACCESS_CARD.oneMoreMinute : ACCESS_CARD.moreMinutes(left))}</Text>
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
  const label = access.hasPassphrase ? ACCESS_CARD.changePassphrase : ACCESS_CARD.setPassphrase
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
          tellDone(ACCESS_CARD.passphraseSetOtherDevicesSign)
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
        <PasswordInput
          mt="md"
          label={ACCESS_CARD.presentPassphrase}
          autoComplete="current-password"
          value={current}
          onChange={(e) => setCurrent(e.currentTarget.value)}
        />
      )}
      <PasswordInput
        mt="md"
        label={ACCESS_CARD.newPassphrase}
        description={ACCESS_CARD.atLeastCharactersFourOr(PASSPHRASE_LENGTH)}
        autoComplete="new-password"
        value={next}
        error={error}
        onChange={(e) => setNext(e.currentTarget.value)}
      />
      <Group mt="md">
        <Button type="submit" loading={busy} disabled={next.length < PASSPHRASE_LENGTH}>
          {ACCESS_CARD.save}
        </Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          {ACCESS_CARD.cancel}
        </Button>
      </Group>
    </form>
  )
}
