import { Button, PasswordInput, Stack, Text, TextInput } from '@mantine/core'
import { type FormEvent, useEffect, useState } from 'react'
import { SIGN_IN } from '../../../words/screens/sign-in'
import { signIn } from '../../data/access'
import { useOutbox } from '../../data/outbox'
import classes from './SignIn.module.css'

/** The code that another device shows; it stands behind the #, which is sent to no server and stands in no log. */
const codeHere = () => (window.location.pathname === '/pair' && window.location.hash.length > 1 ? window.location.hash.slice(1) : null)

/** What a device calls itself until somebody gives it a name. */
const usualName = () => (/Mobi|Android/.test(navigator.userAgent) ? 'Phone' : SIGN_IN.anotherComputer)

/** Before this kitchen on another device: its passphrase, or the code that was just shown. */
export function SignIn() {
  const [code, setCode] = useState(codeHere)
  const [name, setName] = useState(usualName)
  const [passphrase, setPassphrase] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const waiting = useOutbox((o) => o.entries.length)
  useEffect(() => {
    if (code !== null) window.history.replaceState(null, '', '/')
  }, [code])
  const enter = (event: FormEvent) => {
    event.preventDefault()
    if (busy) return
    setProblem(null)
    setBusy(true)
    const asked = { name: name.trim() === '' ? usualName() : name.trim() }
    signIn(code === null ? { ...asked, passphrase } : { ...asked, code })
      .catch((error: Error) => {
        setProblem(error.message)
        // A code is used up; the passphrase always works.
        setCode(null)
      })
      .finally(() => setBusy(false))
  }
  return (
    <main className={classes.page}>
      <p className={classes.name}>{SIGN_IN.olvent}</p>
      <h1 className={classes.title}>{code === null ? SIGN_IN.signIn : SIGN_IN.letThisDeviceIn}</h1>
      <form onSubmit={enter}>
        <Stack>
          {code === null && (
            <PasswordInput
              label={SIGN_IN.passphrase}
              description={SIGN_IN.oneThatWasSetOn}
              value={passphrase}
              autoComplete="current-password"
              error={problem}
              onChange={(e) => setPassphrase(e.currentTarget.value)}
              data-autofocus
            />
          )}
          <TextInput label={SIGN_IN.nameThisDevice} value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
          {waiting > 0 && <Text c="dimmed">{SIGN_IN.inThisBrowserAndWill(waiting === 1 ? SIGN_IN.oneEntryWaits : SIGN_IN.entriesWait(waiting))}</Text>}
          <Button type="submit" size="md" loading={busy} disabled={code === null && passphrase === ''}>
            {code === null ? SIGN_IN.signIn : SIGN_IN.letIn}
          </Button>
          {code === null && <Text c="dimmed">{SIGN_IN.forgottenOnComputerThatRuns}</Text>}
        </Stack>
      </form>
    </main>
  )
}
