import { Button, Group, Modal, Text } from '@mantine/core'
import { useState } from 'react'
import { happeningOf } from '../../../answers'
import type { BakeEvent } from '../../../contract'
import { hangsOn, standing } from '../../../core'
import { happenedWords, whenWords } from '../../../words'
import { HAPPENED } from '../../../words/screens/bake'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../../parts/cards/Card'
import rows from '../../parts/cards/Rows.module.css'
import { tellDone, tellError } from '../../parts/cards/tell'
import { useOnce } from '../../parts/useOnce'
import { useBakeHere } from './bakeHere'
import { useNotes } from './watch/useNotes'

type Stood = Exclude<BakeEvent, { type: 'undo' }>
/** More than these are shown when they are asked for. */
const SHOWN = 8

/** What happened to a bake, newest first, each to be taken back; where something stands on it, that goes with it, and is asked about once. */
export function Happened() {
  const { bake, plan, jar, now } = useBakeHere()
  const { kitchen, pantry, format } = useKitchen()
  const { note } = useNotes()
  const [all, setAll] = useState(false)
  const [asked, setAsked] = useState<{ readonly event: Stood; readonly along: readonly Stood[] } | null>(null)
  const happenings = bake.events.map(happeningOf)
  const stand = new Set(standing(happenings).map((h) => h.id))
  const events = bake.events.filter((e): e is Stood => e.type !== 'undo' && stand.has(e.id)).sort((a, b) => b.happenedAt - a.happenedAt)
  const words = (event: Stood) =>
    happenedWords(event, { plan, pantry, jarName: jar?.name ?? HAPPENED.theJar, placeName: (id) => kitchen.places.find((p) => p.id === id)?.name, format })
  const { run: takeBack, busy } = useOnce((event: Stood) => {
    setAsked(null)
    return note({ type: 'undo', undoes: event.id, withAll: true }).then(() => tellDone(HAPPENED.takenBack(words(event))), tellError)
  })
  if (events.length === 0) return null
  return (
    <Card title={HAPPENED.whatHappened}>
      <ul className={rows.rows} data-testid="happened">
        {(all ? events : events.slice(0, SHOWN)).map((event) => {
          const hanging = hangsOn(happenings, event.id)
          const along = hanging === null ? null : events.filter((e) => hanging.some((h) => h.id === e.id))
          return (
            <li key={event.id}>
              <b>{whenWords(event.happenedAt, now, format)}</b>
              <span>
                {words(event)}{' '}
                {along !== null && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    disabled={busy}
                    aria-label={HAPPENED.undoOf(words(event))}
                    onClick={() => (along.length === 0 ? takeBack(event) : setAsked({ event, along }))}
                  >
                    {HAPPENED.undo}
                  </Button>
                )}
              </span>
            </li>
          )
        })}
      </ul>
      {!all && events.length > SHOWN && (
        <Button variant="default" mt="md" onClick={() => setAll(true)}>
          {HAPPENED.showAll(events.length)}
        </Button>
      )}
      <Modal opened={asked !== null} onClose={() => setAsked(null)} title={HAPPENED.goesWithIt}>
        {asked !== null && (
          <>
            <Text>{HAPPENED.standsOn(words(asked.event))}</Text>
            <ul>
              {asked.along.map((event) => (
                <li key={event.id}>
                  {format.dayTime(event.happenedAt)}: {words(event)}
                </li>
              ))}
            </ul>
            <Group mt="md">
              <Button onClick={() => takeBack(asked.event)}>{HAPPENED.undoAll}</Button>
              <Button variant="default" onClick={() => setAsked(null)}>
                {HAPPENED.cancel}
              </Button>
            </Group>
          </>
        )}
      </Modal>
    </Card>
  )
}
