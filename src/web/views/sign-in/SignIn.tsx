import { Button, PasswordInput, Stack, Text, TextInput } from '@mantine/core'
import { type FormEvent, useEffect, useState } from 'react'
import { signIn } from '../../data/access'
import { useOutbox } from '../../data/outbox'
import classes from './SignIn.module.css'

/** The code that another device shows; it stands behind the #, which is sent to no server and stands in no log. */
const codeHere = () => (window.location.pathname === '/pair' && window.location.hash.length > 1 ? window.location.hash.slice(1) : null)

/** What a device calls itself until somebody gives it a name. */
const usualName = () => (/Mobi|Android/.test(navigator.userAgent) ? 'Phone' : 'Another computer')

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
      <p className={classes.name}>Olvent</p>
      <h1 className={classes.title}>{code === null ? 'Sign in' : 'Let this device in?'}</h1>
      <form onSubmit={enter}>
        <Stack>
          {code === null && (
            <PasswordInput
              label="Passphrase"
              description="The one that was set on the computer that runs Olvent."
              value={passphrase}
              autoComplete="current-password"
              error={problem}
              onChange={(e) => setPassphrase(e.currentTarget.value)}
              data-autofocus
            />
          )}
          <TextInput label="Name of this device" value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
          {waiting > 0 && (
            <Text c="dimmed">{waiting === 1 ? 'One entry waits' : `${waiting} entries wait`} in this browser and will be sent once you are signed in.</Text>
          )}
          <Button type="submit" size="md" loading={busy} disabled={code === null && passphrase === ''}>
            {code === null ? 'Sign in' : 'Let it in'}
          </Button>
          {code === null && <Text c="dimmed">Forgotten? On the computer that runs Olvent, stop it and type: npm run passphrase</Text>}
        </Stack>
      </form>
    </main>
  )
}
