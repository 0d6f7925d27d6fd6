import { Button, Stack, Text } from '@mantine/core'
import { type PourReading, type Repair, type RepairKind, repairsOf } from '../../../core'
import { MIS_POUR } from '../../../words/screens/parts-weigh'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../cards/Card'
import type { Entry } from './entry'
import classes from './Weigh.module.css'

const REPAIR_WORDS: Readonly<Record<RepairKind, string>> = {
  'go on as is': MIS_POUR.carryOnAs,
  'correct by adding': MIS_POUR.correctByAdding,
  'bring the others along': MIS_POUR.scaleRestToMatch
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
        {MIS_POUR.wentOutBowlPutBack(format.mass(reading.by))}
        <div className={classes.answers}>
          <Button onClick={answers.onDismiss}>{MIS_POUR.lookAgain}</Button>
        </div>
      </Note>
    )
  if (reading.kind === 'another item') {
    const other = entries.find((e) => e.key === reading.key)
    return (
      <Note tone="care">
        {MIS_POUR.what(format.mass(grams))}
        {other?.title}
        {MIS_POUR.weighsWasThat}
        <div className={classes.answers}>
          <Button onClick={() => answers.onOther(reading.key)}>
            {MIS_POUR.yesWas}
            {other?.title}
          </Button>
          <Button variant="default" onClick={() => answers.onTared(grams)}>
            {MIS_POUR.no(entry.title)}
          </Button>
        </div>
      </Note>
    )
  }
  if (reading.kind === 'not tared')
    return (
      <Note tone="care">
        {MIS_POUR.allThatInBowlScale(format.mass(grams), format.mass(reading.grams))}
        <div className={classes.answers}>
          <Button onClick={() => answers.onTared(reading.grams)}>{MIS_POUR.take(format.mass(reading.grams))}</Button>
          <Button variant="default" onClick={answers.onDismiss}>
            {MIS_POUR.lookAgain}
          </Button>
        </div>
      </Note>
    )
  const [off, word] = reading.kind === 'over' ? [reading.by, MIS_POUR.tooMuch] : [reading.missing, 'missing']
  if (!mendable)
    return (
      <Note tone="care">
        {format.mass(off)} {word}. {reading.kind === 'over' ? MIS_POUR.cutSomeOff : MIS_POUR.addLittle}
        <div className={classes.answers}>
          <Button variant="default" onClick={() => answers.onTared(grams)}>
            {MIS_POUR.leaveSo}
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
      <Text className={classes.misWords}>{MIS_POUR.nothingLostChooseHowTo(format.mass(off), word)}</Text>
      <Button variant="default" fullWidth mb="xs" onClick={answers.onDismiss}>
        {MIS_POUR.mistyped}
      </Button>
      {reading.kind === 'under' && (
        <Button size="lg" fullWidth onClick={answers.onRest}>
          {MIS_POUR.pourMissing(format.mass(off))}
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
              {!repair.within && MIS_POUR.noLongerAsPlanned}
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
  const more = entries.flatMap(({ key, title }) => (added[key] === undefined ? [] : [MIS_POUR.more(format.mass(added[key]), title)]))
  const changed = entries.flatMap(({ key, title, grams, poured }) =>
    poured === 0 && key !== slipped && Math.abs((targets[key] ?? grams) - grams) >= 0.05 ? [`${title} ${format.mass(targets[key] ?? grams)}`] : []
  )
  const words = [...more, ...changed]
  return words.length === 0 ? MIS_POUR.nothingToDo : `${words.join(', ')}.`
}

function truthWords({ truth }: Repair, format: ReturnType<typeof useKitchen>['format']): string {
  const salt = truth.salt > 0 ? MIS_POUR.salt(format.percent(truth.salt, 2)) : ''
  return MIS_POUR.hydrationInAll(format.percent(truth.hydration), salt, format.mass(truth.totalGrams))
}
