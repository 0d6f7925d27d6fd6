import { Button, FileButton, Group, Modal, Text } from '@mantine/core'
import { useState } from 'react'
import type { TakenAlong } from '../../contract'
import { bringIn, leaveOut, lookInto } from '../data/keeping'
import { useKitchen } from '../data/kitchen'
import { tellDone, tellError } from './tell'

const COUNTED: readonly (readonly [table: string, one: string, many: string])[] = [
  ['jars', 'jar', 'jars'],
  ['bakes', 'bake', 'bakes'],
  ['formulas', 'recipe', 'recipes'],
  ['events', 'entry', 'entries']
]

/** Brings a kitchen in from a file: first what is in it, and what it would replace; then all of it or nothing. */
export function BringIn({ label }: { readonly label: string }) {
  const { format } = useKitchen()
  const [found, setFound] = useState<TakenAlong | null>(null)
  const [busy, setBusy] = useState(false)
  const look = (file: File | null) => {
    if (file === null) return
    setBusy(true)
    lookInto(file)
      .then(setFound, tellError)
      .finally(() => setBusy(false))
  }
  const leave = () => {
    if (found !== null) void leaveOut(found.id).catch(() => undefined)
    setFound(null)
  }
  const put = () => {
    if (found === null) return
    setBusy(true)
    bringIn(found.id)
      .then(() => {
        setFound(null)
        tellDone(`“${found.kitchen}” is here.`)
      }, tellError)
      .finally(() => setBusy(false))
  }
  return (
    <>
      <FileButton onChange={look} accept=".zip,application/zip">
        {(props) => (
          <Button {...props} variant="default" loading={busy && found === null}>
            {label}
          </Button>
        )}
      </FileButton>
      {found !== null && (
        <Modal opened onClose={leave} title={`“${found.kitchen}”`} size="lg">
          <Text>
            Taken along {format.dayTime(found.madeAt)}:{' '}
            {COUNTED.map(([table, one, many]) => `${found.rows[table] ?? 0} ${found.rows[table] === 1 ? one : many}`).join(', ')}
            {`, ${found.pictures} ${found.pictures === 1 ? 'picture' : 'pictures'}`}.
          </Text>
          {found.replaces !== null && (
            <Text mt="sm" fw={600}>
              It takes the place of “{found.replaces}”. A copy of that is kept first.
            </Text>
          )}
          <Group mt="lg">
            <Button onClick={put} loading={busy}>
              {found.replaces === null ? 'Open it here' : `Replace “${found.replaces}”`}
            </Button>
            <Button variant="default" onClick={leave} disabled={busy}>
              Cancel
            </Button>
          </Group>
        </Modal>
      )}
    </>
  )
}
