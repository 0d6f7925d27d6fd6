import { Button, Stack, Text } from '@mantine/core'
import { type PourReading, type Repair, type RepairKind, repairsOf } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../Card'
import type { Entry } from './entry'
import classes from './Weigh.module.css'

const REPAIR_WORDS: Readonly<Record<RepairKind, string>> = {
  'go on as is': 'Carry on as it is',
  'correct by adding': 'Correct by adding',
  'bring the others along': 'Scale the rest to match'
}

/** What the baker says of a mis-pour. */
export interface MisPourAnswers {
  /** It is in, and goes on so. */
  readonly onRepair: (repair: Repair) => void
  /** It is in; the rest follows. */
  readonly onRest: () => void
  readonly onOther: (key: string) => void
  readonly onTared: (grams: number) => void
  readonly onDismiss: () => void
}

/** What went wrong, and the ways on: the one with the least work first. */
export function MisPour({
  reading,
  grams,
  entry,
  entries,
  mendable,
  answers
}: {
  readonly reading: Exclude<PourReading, { kind: 'right' | 'nothing' }>
  readonly grams: number
  readonly entry: Entry
  readonly entries: readonly Entry[]
  /** Something can be added to make up for it; pieces are cut instead. */
  readonly mendable: boolean
  readonly answers: MisPourAnswers
}) {
  const { format } = useKitchen()
  if (reading.kind === 'taken out')
    return (
      <Note tone="stop">
        {format.mass(reading.by)} went out of the bowl. Put it back, or undo what was weighed.
        <div className={classes.answers}>
          <Button onClick={answers.onDismiss}>Look again</Button>
        </div>
      </Note>
    )
  if (reading.kind === 'another item') {
    const other = entries.find((e) => e.key === reading.key)
    return (
      <Note tone="care">
        {format.mass(grams)} is what “{other?.title}” weighs. Was it that?
        <div className={classes.answers}>
          <Button onClick={() => answers.onOther(reading.key)}>Yes, it was {other?.title}</Button>
          <Button variant="default" onClick={() => answers.onTared(grams)}>
            No, it is {entry.title}
          </Button>
        </div>
      </Note>
    )
  }
  if (reading.kind === 'not tared')
    return (
      <Note tone="care">
        {format.mass(grams)} is all that is in the bowl: the scale was not set to zero. {format.mass(reading.grams)} of it are new.
        <div className={classes.answers}>
          <Button onClick={() => answers.onTared(reading.grams)}>Take {format.mass(reading.grams)}</Button>
          <Button variant="default" onClick={answers.onDismiss}>
            Look again
          </Button>
        </div>
      </Note>
    )
  const [off, word] = reading.kind === 'over' ? [reading.by, 'too much'] : [reading.missing, 'missing']
  if (!mendable)
    return (
      <Note tone="care">
        {format.mass(off)} {word}. {reading.kind === 'over' ? 'Cut some off.' : 'Add a little.'}
        <div className={classes.answers}>
          <Button variant="default" onClick={() => answers.onTared(grams)}>
            Leave it so
          </Button>
        </div>
      </Note>
    )
  const repairs = repairsOf(
    entries.map((e) => ({
      key: e.key,
      composition: e.composition,
      planned: e.grams,
      poured: e.poured + (e.key === entry.key ? grams : 0),
      isCulture: e.isCulture
    })),
    (g, key) => Math.round(g / stepOf(entries, key)) * stepOf(entries, key)
  )
  return (
    <div className={classes.misPour} data-testid="mis-pour">
      <Text className={classes.misWords}>
        {format.mass(off)} {word}. Nothing is lost: choose how to go on.
      </Text>
      {reading.kind === 'under' && (
        <Button size="lg" fullWidth onClick={answers.onRest}>
          Pour the missing {format.mass(off)}
        </Button>
      )}
      <Stack gap="xs" mt="sm">
        {repairs.map((repair, i) => (
          <button
            key={repair.kind}
            type="button"
            className={classes.repair}
            data-first={i === 0 && reading.kind === 'over'}
            onClick={() => answers.onRepair(repair)}
          >
            <strong>{REPAIR_WORDS[repair.kind]}</strong>
            <span>{workWords(repair, entries, entry.key, format)}</span>
            <span className={classes.truth}>
              {truthWords(repair, format)}
              {!repair.within && ' · no longer as planned'}
            </span>
          </button>
        ))}
      </Stack>
    </div>
  )
}

const stepOf = (entries: readonly Entry[], key: string) => entries.find((e) => e.key === key)?.resolution ?? 1

/** What has to be done for it. */
function workWords({ targets, added }: Repair, entries: readonly Entry[], slipped: string, format: ReturnType<typeof useKitchen>['format']): string {
  const more = entries.flatMap(({ key, title }) => (added[key] === undefined ? [] : [`${format.mass(added[key])} more ${title}`]))
  const changed = entries.flatMap(({ key, title, grams, poured }) =>
    poured === 0 && key !== slipped && Math.abs((targets[key] ?? grams) - grams) >= 0.05 ? [`${title} ${format.mass(targets[key] ?? grams)}`] : []
  )
  const words = [...more, ...changed]
  return words.length === 0 ? 'Nothing to do.' : `${words.join(', ')}.`
}

function truthWords({ truth }: Repair, format: ReturnType<typeof useKitchen>['format']): string {
  const salt = truth.salt > 0 ? ` · salt ${format.percent(truth.salt, 2)}` : ''
  return `hydration ${format.percent(truth.hydration)}${salt} · ${format.mass(truth.totalGrams)} in all`
}
