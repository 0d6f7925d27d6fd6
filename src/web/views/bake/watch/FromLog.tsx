import { Button, Checkbox, FileButton, Group, Select, SimpleGrid, Text, Textarea } from '@mantine/core'
import { useMemo, useState } from 'react'
import { LEVEL_COLUMNS, type LevelColumn, type LevelsProblem, lookOver, readLevels, tempSteps, thinned } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { noteLevels } from '../../../data/levels'
import { textOf } from '../../../data/logs'
import { Note } from '../../../parts/Card'
import { tellDone, tellError } from '../../../parts/tell'
import type { StationProps } from '../station'

const MS_PER_HOUR = 3_600_000
/** So many looks tell a curve; more tell nothing new. */
const MOST = 30
/** So much of a log is read, characters: some 20,000 lines. */
const MOST_TEXT = 600_000
const PROBLEM_WORDS: Readonly<Record<LevelsProblem, string>> = {
  'no time': 'No column holds a time. Say which one does.',
  'no level': 'No column holds a height or a rise. Say which one does.',
  'no band': 'The height at the mark is missing, so the rise cannot be worked out.',
  'no readings': 'No line of this has a time and a level.'
}

/** The level from a log: pasted or from a file, its columns guessed and confirmed. */
export function FromLog({ bake, plan, state, now }: StationProps) {
  const { kitchen, format, pantry } = useKitchen()
  const [text, setText] = useState('')
  const [withTemps, setWithTemps] = useState(true)
  const [chosen, setChosen] = useState<Readonly<Record<number, LevelColumn>>>({})
  const log = useMemo(() => (text.trim() === '' ? null : lookOver(text, kitchen.timeZone)), [text, kitchen.timeZone])
  const columns = log?.columns.map((column, i) => chosen[i] ?? column) ?? []
  const bandMs = state.band?.atMs ?? 0
  const read = useMemo(
    () =>
      log === null
        ? null
        : readLevels(
            log,
            log.columns.map((column, i) => chosen[i] ?? column),
            kitchen.timeZone,
            bandMs,
            state.band?.levelMm ?? null
          ),
    [log, chosen, kitchen.timeZone, bandMs, state.band?.levelMm]
  )
  const own = read?.ok ? read.value.filter((l) => l.ms >= bandMs && l.ms <= now) : []
  const kept = thinned(own, MOST)
  const temps = tempSteps(own)
  const moves = state.moves.length > 0 ? state.moves : plan.moves.map(({ afterHours, placeId }) => ({ atMs: bandMs + afterHours * MS_PER_HOUR, placeId }))
  // What is told of where it stood takes the place of what was planned; a move still to come would be lost with it.
  const isMovedLater = moves.some((m) => m.atMs > now)
  const takesTemps = temps.length > 0 && withTemps && !isMovedLater
  const placeAt = (ms: number) => moves.findLast((m) => m.atMs <= ms)?.placeId ?? plan.placeId
  const change = (next: string) => {
    // A levain stands for a day or two: a log of weeks begins with what is not of it, and is read from its end.
    setText(next.length > MOST_TEXT ? next.slice(next.indexOf('\n', next.length - MOST_TEXT) + 1) : next)
    setChosen({})
  }
  const bring = (file: File | undefined) => {
    if (file !== undefined) textOf(file).then(change, tellError)
  }
  return (
    <div data-testid="from-log">
      <Textarea
        aria-label="Log of levels"
        placeholder={'2026-11-26 20:00, 62 mm, 22.5\n2026-11-26 20:10, 64 mm, 22.5'}
        rows={4}
        value={text}
        onChange={(e) => change(e.currentTarget.value)}
        onDrop={(e) => {
          const [file] = e.dataTransfer.files
          if (file === undefined) return
          e.preventDefault()
          bring(file)
        }}
      />
      {log !== null && (
        <SimpleGrid cols={{ base: 2, sm: 3 }} mt="sm">
          {log.names.map((name, i) => (
            <Select
              key={name}
              label={name}
              data={[...LEVEL_COLUMNS]}
              value={columns[i] ?? 'nothing'}
              allowDeselect={false}
              onChange={(value) => setChosen({ ...chosen, [i]: LEVEL_COLUMNS.find((c) => c === value) ?? 'nothing' })}
            />
          ))}
        </SimpleGrid>
      )}
      {read !== null && !read.ok && <Note tone="care">{PROBLEM_WORDS[read.problem.code]}</Note>}
      {read?.ok && (
        <Note>
          {own.length === 0
            ? 'None of these readings lies between mixing and now.'
            : `${own.length} levels, ${format.dayTime(own[0]?.ms ?? 0)} to ${format.dayTime(own.at(-1)?.ms ?? 0)}, up to ${format.rise(Math.max(...own.map((l) => l.rise)))}.${kept.length < own.length ? ` ${kept.length} of them, spread evenly, are noted.` : ''}`}
        </Note>
      )}
      {kept.length > 0 && temps.length > 0 && (
        <Checkbox
          mt="sm"
          size="md"
          checked={takesTemps}
          disabled={isMovedLater}
          onChange={(e) => setWithTemps(e.currentTarget.checked)}
          label={`It stood at ${temps.map((t) => format.temperature(t.tempC)).join(', then ')}: use that for the forecast.`}
          description={isMovedLater ? 'Not while a move of it is still planned: note that first.' : undefined}
        />
      )}
      <Group mt="sm">
        <FileButton accept="text/csv,text/plain,.csv,.tsv,.txt" onChange={(file) => bring(file ?? undefined)}>
          {(button) => (
            <Button {...button} variant="default">
              From a file
            </Button>
          )}
        </FileButton>
        {kept.length > 0 && (
          <Button
            onClick={() => {
              noteLevels(bake, kept, pantry, takesTemps ? temps.map((t) => ({ ...t, placeId: placeAt(t.ms) })) : []).then(
                (undo) => tellDone(`${kept.length} looks are noted.`, undo),
                tellError
              )
              change('')
            }}
          >
            Note {kept.length} looks
          </Button>
        )}
      </Group>
      <Text c="dimmed" mt="xs">
        A line holds a time, a height or a rise, and a temperature if there is one; comma, semicolon or tab between them. A file can be dropped here.
      </Text>
    </div>
  )
}
