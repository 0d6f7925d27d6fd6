import { Button, Group, Modal, NumberInput, Stack, Text } from '@mantine/core'
import { DateTimePicker } from '@mantine/dates'
import { useState } from 'react'
import { isoOf, isoSchema, msOf } from '../../contract'
import { ENTRY_FIGURES, entryWords } from '../../words'
import { TRAY } from '../../words/screens/app'
import { useKitchen } from '../data/kitchen'
import { type RefusedEntry, sendAgain, throwAway } from '../data/outbox'
import { tellDone } from '../parts/cards/tell'

/** Entries that were not accepted: each can be mended and sent again, or thrown away. */
export function Tray({ tray, onClose }: { readonly tray: readonly RefusedEntry[]; readonly onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title={TRAY.notAcceptedYet} size="lg">
      <Stack gap="xl">
        {tray.map((entry) => (
          <TrayEntry key={entry.id} entry={entry} />
        ))}
      </Stack>
    </Modal>
  )
}

type Body = Readonly<Record<string, unknown>>

/** One entry: what it was, why it was not accepted, and what can be changed about it. */
function TrayEntry({ entry }: { entry: RefusedEntry }) {
  const { format } = useKitchen()
  const [body, setBody] = useState((entry.body ?? {}) as Body)
  const figures = Object.entries(ENTRY_FIGURES).filter(([name]) => typeof body[name] === 'number')
  const happenedAt = isoSchema.safeParse(body.happenedAt).data
  const words = entryWords(entry.path, entry.body)
  const shown = [...figures.map(([name]) => name), 'happenedAt']
  return (
    <section>
      <Text fw={650}>
        {words}
        {happenedAt !== undefined && ` · ${format.dayTime(msOf(happenedAt))}`}
      </Text>
      {!shown.some((name) => entry.fields?.[name] === entry.why) && <Text mt={4}>{entry.why}</Text>}
      <Group mt="sm" align="end">
        {figures.map(([name, { label, unit }]) => (
          <NumberInput
            key={name}
            label={`${label}, ${unit}`}
            value={Number(body[name])}
            onChange={(value) => setBody({ ...body, [name]: Number(value) })}
            error={entry.fields?.[name]}
            w={160}
          />
        ))}
        {happenedAt !== undefined && (
          <DateTimePicker
            size="md"
            label={TRAY.whenHappened}
            value={new Date(msOf(happenedAt))}
            onChange={(value) => {
              const atMs = value === null ? Number.NaN : new Date(value).getTime()
              if (Number.isFinite(atMs)) setBody({ ...body, happenedAt: isoOf(atMs) })
            }}
            error={entry.fields?.happenedAt}
            w={240}
          />
        )}
      </Group>
      <Group mt="md">
        <Button onClick={() => sendAgain(entry, entry.body === undefined ? undefined : body)}>{TRAY.sendAgain}</Button>
        <Button
          variant="default"
          onClick={() => {
            tellDone(TRAY.thrownAway(words), throwAway(entry))
          }}
        >
          {TRAY.throwAway}
        </Button>
      </Group>
    </section>
  )
}
