import { Button, Checkbox, FileButton, Group, Select, SimpleGrid, Text, Textarea } from '@mantine/core'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { LEVEL_COLUMNS, type LevelColumn, type LevelsProblem, lookOver, readLevels, tempSteps, thinned } from '../../../../core'
import { FROM_LOG } from '../../../../words/screens/watch'
import { useKitchen } from '../../../data/kitchen'
import { noteLevels } from '../../../data/levels'
import { textOf } from '../../../data/logs'
import { Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { useBakeHere } from '../bakeHere'

/** So many looks tell a curve; more tell nothing new. */
const MOST = 30
/** So much of a log is read, characters: some 20,000 lines. */
const MOST_TEXT = 600_000
const PROBLEM_WORDS: Readonly<Record<LevelsProblem, string>> = {
  'no time': FROM_LOG.noColumnHoldsTimeSay,
  'no level': FROM_LOG.noColumnHoldsHeightOr,
  'no band': FROM_LOG.heightAtMarkMissingSo,
  'no readings': FROM_LOG.noLineThisHasTime
}

/** The level from a log: pasted or from a file, its columns guessed and confirmed. */
export function FromLog() {
  const { bake, plan, state, now } = useBakeHere()
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
  const moves =
    state.moves.length > 0 ? state.moves : plan.moves.map(({ afterHours, placeId }) => ({ atMs: bandMs + afterHours * millisecondsInHour, placeId }))
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
        aria-label={FROM_LOG.logLevels}
        placeholder={FROM_LOG.exampleLines}
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
            ? FROM_LOG.noneTheseReadingsLiesBetween
            : FROM_LOG.levelsToUpTo(
                own.length,
                format.dayTime(own[0]?.ms ?? 0),
                format.dayTime(own.at(-1)?.ms ?? 0),
                format.rise(Math.max(...own.map((l) => l.rise))),
                kept.length < own.length ? FROM_LOG.themSpreadEvenlyAreNoted(kept.length) : ''
              )}
        </Note>
      )}
      {kept.length > 0 && temps.length > 0 && (
        <Checkbox
          mt="sm"
          size="md"
          checked={takesTemps}
          disabled={isMovedLater}
          onChange={(e) => setWithTemps(e.currentTarget.checked)}
          label={FROM_LOG.stoodAtUseThatFor(temps.map((t) => format.temperature(t.tempC)).join(', then '))}
          description={isMovedLater ? FROM_LOG.notWhileMoveStillPlanned : undefined}
        />
      )}
      <Group mt="sm">
        <FileButton accept="text/csv,text/plain,.csv,.tsv,.txt" onChange={(file) => bring(file ?? undefined)}>
          {(button) => (
            <Button {...button} variant="default">
              {FROM_LOG.fromFile}
            </Button>
          )}
        </FileButton>
        {kept.length > 0 && (
          <Button
            onClick={() => {
              noteLevels(bake, kept, pantry, takesTemps ? temps.map((t) => ({ ...t, placeId: placeAt(t.ms) })) : []).then(
                (undo) => tellDone(FROM_LOG.looksAreNoted(kept.length), undo),
                tellError
              )
              change('')
            }}
          >
            {FROM_LOG.noteLooks(kept.length)}
          </Button>
        )}
      </Group>
      <Text c="dimmed" mt="xs">
        {FROM_LOG.lineHoldsTimeHeightOr}
      </Text>
    </div>
  )
}
