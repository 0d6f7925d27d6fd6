import { Button, Group, Text } from '@mantine/core'
import { IconAlertTriangle } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { coldPlaceOf, lastLevel, levelToRead } from '../../../answers'
import { aheadStep, doughPieces, type Format, pourKey, type Step, type WeighedDough } from '../../../core'
import { adviceSentence, fromNow, ITEM_WORDS, near, overproofedSentence, seedWord, spanWords, stepCaution, youSleepUntil } from '../../../words'
import { OVERPROOFED_CARD } from '../../../words/screens/out'
import { NEXT_CARD } from '../../../words/screens/today'
import type { OpenBake } from '../../data/days'
import { useJars } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass } from '../../parts/cards/Card'
import { PlannedMove } from '../../parts/jar/PlannedMove'
import { MarkStep } from '../../parts/steps/MarkStep'
import { isTold } from '../../parts/steps/stepPlaces'
import { type Entry, isLate } from './entries'
import classes from './Today.module.css'

const VERB: Readonly<Partial<Record<Step['kind'], string>>> = {
  wake: NEXT_CARD.seeFeed,
  'first build': NEXT_CARD.seeBuild,
  ahead: NEXT_CARD.startWeighing,
  refill: NEXT_CARD.startWeighing,
  build: NEXT_CARD.startWeighing,
  'finish weighing': NEXT_CARD.goOnWeighing,
  chill: NEXT_CARD.noteThatMoved,
  look: NEXT_CARD.noteWhatYouSee,
  mix: NEXT_CARD.goToLevain,
  'feed again': NEXT_CARD.goToLevain
}

/** The one next action, to be read from two metres. */
export function NextCard({ entry, now }: { readonly entry: Entry; readonly now: number }) {
  const { format } = useKitchen()
  const late = isLate(entry, now)
  const { of } = entry
  const about = of.kind === 'bake' ? of.day.bake.plan.name : of.says
  const until = of.kind === 'bake' && of.step.kind === 'mix' ? of.step.untilMs : null
  // A dough that has gone too far is what there is to know, not the step that it is late for.
  const over =
    of.kind === 'bake' && of.day.over !== null ? (lastLevel(of.day.bake.state) === undefined ? OVERPROOFED_CARD.mayBeTooFar : OVERPROOFED_CARD.tooFar) : null
  return (
    <Card data-testid="next">
      <Text c="dimmed">
        {late ? NEXT_CARD.overdue : NEXT_CARD.next} · {about}
      </Text>
      <h2 className={classes.next}>{over === null ? entry.title.replace(`: ${about}`, '') : over}</h2>
      <p className={classes.when} data-late={late}>
        {late && <IconAlertTriangle size={20} aria-hidden="true" />}
        {format.dayTime(near(entry.atMs))} · {fromNow(entry.atMs, now, format)}
        {until !== null && NEXT_CARD.until(format.time(near(until)))}
      </p>
      {entry.plannedMs !== null && <Moved entry={entry} plannedMs={entry.plannedMs} />}
      {entry.asleepUntilMs !== null && (
        <Text mb="sm" className={classes.asleep}>
          {asleepWords(entry, format)}
        </Text>
      )}
      {of.kind === 'bake' ? (
        <BakeStep day={of.day} step={of.step} now={now} href={entry.href} />
      ) : of.kind === 'move' ? (
        <div className={classes.marks}>
          <PlannedMove jar={of.jar} move={of.move} now={now} size="lg" />
        </div>
      ) : (
        <Button size="lg" mt="lg" component={Link} to={entry.href}>
          {NEXT_CARD.goToStep}
        </Button>
      )}
    </Card>
  )
}

/** By how much a step has moved since it was planned. */
function Moved({ entry, plannedMs }: { readonly entry: Entry; readonly plannedMs: number }) {
  const { format } = useKitchen()
  return <Text mb="sm">{movedWords(entry.atMs - plannedMs, plannedMs, format)}</Text>
}

/** "40 min later than planned (09:30)" */
export function movedWords(byMs: number, plannedMs: number, format: Format): string {
  return NEXT_CARD.thanPlanned(format.duration(Math.abs(byMs) / millisecondsInHour), byMs > 0 ? 'later' : 'sooner', format.time(near(plannedMs)))
}

/** "you sleep until 07:00" */
export const asleepWords = ({ asleepUntilMs, of }: Entry, format: Format): string =>
  asleepUntilMs === null ? '' : youSleepUntil(format.time(asleepUntilMs), of.kind === 'bake' && of.step.kind === 'fold')

/** Steps that take from the jar. */
const FROM_JAR: readonly Step['kind'][] = ['wake', 'first build', 'build']

function BakeStep({ day, step, now, href }: { readonly day: OpenBake; readonly step: Step; readonly now: number; readonly href: string }) {
  const { format, kitchen } = useKitchen()
  const { jars } = useJars()
  const jar = jars?.find((j) => j.id === day.bake.plan.jarId)
  const coldPlace = jar === undefined ? undefined : coldPlaceOf(jar, kitchen, now)
  const { bake, judged } = day
  const caution = stepCaution(step)
  const asItIs = bake.plan.build.source === 'as it is'
  // Starter that is in the bowl is waited for no more.
  const awaited = judged !== undefined && !(asItIs && bake.status !== 'planned') ? judged : undefined
  const verb = step.kind === 'mix' && asItIs ? NEXT_CARD.startWeighing : VERB[step.kind]
  return (
    <>
      {day.over === null && <StepFigures day={day} step={step} now={now} />}
      {awaited !== undefined && <Text mt="md">{adviceSentence(awaited.told, awaited.line.startedAtMs, format)}</Text>}
      {day.over !== null && <Text mt="md">{overproofedSentence(day.over, format)}</Text>}
      {caution !== null && <Text mt="md">{caution}</Text>}
      {FROM_JAR.includes(step.kind) && coldPlace !== undefined && <Text mt="md">{NEXT_CARD.standsInColdTakeOut(coldPlace.name.toLowerCase())}</Text>}
      <Group mt="lg">
        {day.over !== null && (
          <Button size="lg" component={Link} to={`/bakes/${bake.id}/bread`}>
            {NEXT_CARD.whatItCanStillBe}
          </Button>
        )}
        {isTold(step, bake.state) && <MarkStep bake={bake} step={step} now={now} size="lg" begins={day.over === null} />}
        {verb !== undefined && (
          <Button size="lg" component={Link} to={href} variant={isTold(step, bake.state) ? 'default' : 'filled'}>
            {verb}
          </Button>
        )}
        <Button size="lg" variant="default" component={Link} to={`/bakes/${bake.id}/${step.kind === 'mix' ? 'recipe' : 'plan'}`}>
          {step.kind === 'build' ? NEXT_CARD.anotherTime : step.kind === 'mix' ? NEXT_CARD.dough : NEXT_CARD.wholeDay}
        </Button>
      </Group>
    </>
  )
}

/** What is needed at a step, in figures that carry. */
function StepFigures({
  day: { bake, solved, judged, times, bulkStop },
  step,
  now
}: {
  readonly day: OpenBake
  readonly step: Step
  readonly now: number
}): ReactNode {
  const { format, pantry } = useKitchen()
  const build = solved?.build
  const { before } = bake.plan
  const pieces = solved?.dough.ok ? doughPieces(bake.plan.target, solved.dough.value.exact) : []
  switch (step.kind) {
    case 'build':
    case 'finish weighing':
      return build === null || build === undefined ? null : (
        <Figures>
          {build.steps.map((pour) => (
            <Figure
              key={pourKey(pour)}
              size="lg"
              value={<Mass grams={pour.grams} />}
              name={
                pour.item === 'water' && build.water !== null
                  ? NEXT_CARD.waterAt(format.temperature(build.water.tempC, 0))
                  : pour.ingredientId !== null && build.weigh.flours.length > 1
                    ? (pantry.get(pour.ingredientId)?.name ?? 'flour')
                    : pour.item === 'seed'
                      ? seedWord(bake.plan)
                      : ITEM_WORDS[pour.item]
              }
            />
          ))}
        </Figures>
      )
    case 'wake':
    case 'first build': {
      const stage = before.find((b) => b.id === step.id)
      return stage === undefined ? null : (
        <Figures>
          <Figure size="lg" value={<Mass grams={stage.seedGrams} />} name={step.kind === 'wake' ? NEXT_CARD.kept : ITEM_WORDS.seed} />
          <Figure size="lg" value={<Mass grams={stage.flourGrams} />} name={NEXT_CARD.flour} />
          <Figure size="lg" value={<Mass grams={stage.waterGrams} />} name={NEXT_CARD.water} />
        </Figures>
      )
    }
    case 'ahead': {
      const line = solved?.dough.ok ? solved.dough.value.weigh.lines.find((l) => step.id === aheadStep(l.id)) : undefined
      return line === undefined ? null : (
        <Figures>
          {(line.parts ?? []).map((part) => (
            <Figure key={part.name} size="lg" value={<Mass grams={part.grams} />} name={part.name.toLowerCase()} />
          ))}
        </Figures>
      )
    }
    case 'mix':
      return !solved?.dough.ok ? null : (
        <Figures>
          {mixFigures(solved.dough.value.weigh).map(([name, grams]) => (
            <Figure key={name} size="lg" value={<Mass grams={grams} />} name={name} />
          ))}
        </Figures>
      )
    case 'look':
      return judged === undefined ? null : (
        <Figures>
          <Figure
            size="lg"
            value={format.rise(levelToRead(judged.verdict, (now - judged.line.startedAtMs) / millisecondsInHour))}
            name={NEXT_CARD.expectedNow}
          />
          {judged.told.window !== null && (
            <Figure size="lg" value={spanWords(judged.told.window.fromMs, judged.told.window.toMs, format)} name={NEXT_CARD.readyToMix} />
          )}
        </Figures>
      )
    case 'shape':
      return bulkStop === null ? null : (
        <Figures>
          <Figure size="lg" value={format.growth(bulkStop.gas)} name={NEXT_CARD.risenInBulk} />
          {pieces.length > 0 && <Figure size="lg" value={pieces.map((p) => `${p.count} × ${format.mass(p.grams)}`).join(', ')} name={NEXT_CARD.pieces} />}
        </Figures>
      )
    case 'bake':
    case 'out':
      return times === null ? null : (
        <Figures>
          <Figure size="lg" value={format.time(near(times.outMs))} name={NEXT_CARD.outOven} />
        </Figures>
      )
    default:
      return null
  }
}

/** What goes into the bowl, told in five figures at most. */
function mixFigures({ lines }: WeighedDough): [name: string, grams: number][] {
  const sum = (kinds: readonly string[]) => lines.reduce((t, l) => (kinds.includes(l.kind) ? t + l.grams : t), 0)
  const figures: [string, number][] = [
    ['flour', sum(['flour'])],
    ['water', sum(['water'])],
    ['levain', sum(['levain'])],
    ['salt', sum(['salt'])],
    [NEXT_CARD.rest, sum(['extra', 'pre-ferment'])]
  ]
  return figures.filter(([, grams]) => grams > 0)
}
