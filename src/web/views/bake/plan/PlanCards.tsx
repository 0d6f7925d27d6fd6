import { Button, Checkbox, Group, Modal, Progress, Table, Text } from '@mantine/core'
import { useMemo, useState } from 'react'
import type { WayTaken } from '../../../../answers'
import type { DayPlan, JarBelief, PlanProblem, ToldPlan, YeastedWay } from '../../../../core'
import { isAwaited, jarOutBefore, sure, wishableMs } from '../../../../core'
import { capital, near, planTitles, proofWords, stageRatio, tasteWord, violationWords, whyWords } from '../../../../words'
import { PLAN_CARDS } from '../../../../words/screens/plan'
import { useNow } from '../../../data/clock'
import { type PlannedMix, useChances } from '../../../data/forecasts'
import { useKitchen } from '../../../data/kitchen'
import type { PlanSearch } from '../../../data/plans'
import { Card, Figure, Note } from '../../../parts/cards/Card'
import { DayStrip } from './DayStrip'
import classes from './PlanCards.module.css'

interface Offered {
  readonly plan: DayPlan
  readonly told: ToldPlan | null
  readonly title: string
  /** How likely its levain is ready while somebody is there to mix it, as the plan tells it once it is taken; null until it is known. */
  readonly chance: number | null
  /** Fresh flour of all its feeds and builds, g. */
  readonly flourGrams: number | null
}

/** Below this a way hardly ever works. */
const HARDLY = 0.1

/** The ways that were found, each with its day; where there is none, what would mend it. */
export function PlanCards({
  search,
  problem,
  belief,
  onTrial,
  onTake,
  onYeast,
  onLater,
  jarName
}: {
  readonly search: PlanSearch
  readonly problem: PlanProblem
  readonly belief: JarBelief
  /** A way as it is once it has been taken. */
  readonly onTrial: (plan: DayPlan, problem: PlanProblem) => WayTaken | null
  readonly onTake: (plan: DayPlan, problem: PlanProblem) => void
  readonly onYeast: (way: YeastedWay) => void
  readonly onLater: (atMs: number) => void
  readonly jarName: string
}) {
  const { kitchen, format } = useKitchen()
  const [compared, setCompared] = useState<readonly number[]>([])
  const { found, early, share, failed } = search
  const asked = found?.problem ?? problem
  const plans = useMemo(() => found?.plans ?? early.map((plan) => ({ plan, told: null })), [found, early])
  const titles = useMemo(
    () =>
      planTitles(
        asked,
        plans.map(({ plan }) => plan),
        kitchen,
        format
      ),
    [asked, plans, kitchen, format]
  )
  const trials = useMemo(() => plans.map((offer) => ({ ...offer, taken: offer.told === null ? null : onTrial(offer.plan, asked) })), [plans, asked, onTrial])
  const chances = useChances(
    useMemo(
      () =>
        trials.flatMap(({ plan, taken }, i): PlannedMix[] => {
          const line = taken?.solved?.build?.asItStands.line
          if (taken === null || line === undefined || !isAwaited(taken.plan.school)) return []
          return [{ id: String(i), line, school: taken.plan.school, belief, mixMs: plan.mixMs, busy: asked.busy, fromMs: asked.nowMs }]
        }),
      [trials, belief, asked]
    )
  )
  const offered: readonly Offered[] = trials.flatMap(({ plan, told, taken }, i) => {
    const title = titles.get(plan)
    return title === undefined ? [] : [{ plan, told, title, chance: chances.get(String(i)) ?? null, flourGrams: taken?.flourGrams ?? null }]
  })
  const outFirstWords = ({ stages }: DayPlan): string | null => {
    const outMs = jarOutBefore(asked, sure(stages[0]).startMs)
    if (outMs === null || asked.levainHabit?.kind !== 'jar out in the morning') return null
    const { id } = asked.levainHabit.place
    return PLAN_CARDS.jarOutFirst(jarName, kitchen.places.find((p) => p.id === id)?.name ?? '', format.dayTime(outMs))
  }
  if (failed) return <Note tone="stop">{PLAN_CARDS.searchFailedTryAgain}</Note>
  const fromMs = Math.min(asked.nowMs, ...offered.map(({ plan }) => plan.stages[0]?.startMs ?? asked.nowMs))
  const toMs = Math.max(...offered.map(({ plan }) => plan.times.outMs), fromMs + 1)
  const pair = compared.flatMap((i) => offered[i] ?? [])
  return (
    <section className={classes.plans} aria-label={PLAN_CARDS.schedules} aria-busy={share < 1}>
      {share < 1 && <Progress value={100 * Math.max(share, 0.05)} aria-label={PLAN_CARDS.searching} />}
      {found?.mendings != null && <NoWay found={found.mendings} problem={asked} onTake={(plan) => onTake(plan, asked)} onLater={onLater} />}
      {offered.map((offer, i) => (
        <PlanCard
          key={`${offer.plan.stages[0]?.startMs} ${offer.plan.mixMs} ${offer.plan.stages.at(-1)?.stage.place.id}`}
          offer={offer}
          strip={{ fromMs, toMs }}
          compared={compared.includes(i)}
          comparable={offered.length > 1 && offer.told !== null}
          onCompare={(on) => setCompared((before) => (on ? [...before.slice(-1), i] : before.filter((j) => j !== i)))}
          onTake={() => onTake(offer.plan, asked)}
          outFirst={outFirstWords(offer.plan)}
          feeds={asked.asItIs === true}
        />
      ))}
      {found?.yeasted != null && <YeastCard way={found.yeasted} onTake={onYeast} />}
      {offered.length > 0 && share === 1 && (
        <Text c="dimmed">
          {PLAN_CARDS.chancesAllowForKitchenThat(
            offered.length === 1 ? PLAN_CARDS.noOtherScheduleReallyDifferent : PLAN_CARDS.differentSchedulesEasiestFirst(offered.length),
            format.temperatureGap(2)
          )}
        </Text>
      )}
      <Modal opened={pair.length === 2} onClose={() => setCompared([])} title={PLAN_CARDS.compareTwoSchedules} size="lg">
        {pair.length === 2 && <Compared pair={pair as [Offered, Offered]} problem={asked} />}
      </Modal>
    </section>
  )
}

function PlanCard({
  offer: { plan, told, title, chance, flourGrams },
  strip,
  compared,
  comparable,
  onCompare,
  onTake,
  outFirst,
  feeds
}: {
  readonly offer: Offered
  readonly strip: { readonly fromMs: number; readonly toMs: number }
  readonly compared: boolean
  readonly comparable: boolean
  readonly onCompare: (on: boolean) => void
  readonly onTake: () => void
  /** When its jar comes out of the fridge; null where it stays where it is. */
  readonly outFirst: string | null
  /** Its starter is used as it is: it is fed, and nothing is built. */
  readonly feeds: boolean
}) {
  const { kitchen, format } = useKitchen()
  return (
    <Card title={title} data-testid="plan">
      <DayStrip plan={plan} {...strip} />
      <PlanFigures plan={plan} chance={chance} feeds={feeds} />
      {told !== null && (
        <>
          <Text mt="sm">
            {whyWords(plan, told, format).join(' ')} {capital(proofWords(plan, kitchen, format))}.
          </Text>
          <Text c="dimmed" mt={4}>
            {PLAN_CARDS[feeds ? 'workFlourForJar' : 'workFlourForLevain'](
              format.duration(told.handsMinutes / 60),
              format.mass(Math.round(flourGrams ?? told.flourGrams))
            )}
            {told.discardGrams >= 1 && PLAN_CARDS.toDiscardPot(format.mass(Math.round(told.discardGrams)))} · {tasteWord(told, plan)}
          </Text>
        </>
      )}
      {outFirst !== null && <Text mt="sm">{outFirst}</Text>}
      {chance !== null && chance < HARDLY && <Note tone="care">{PLAN_CARDS.atThatHourLevainHardly}</Note>}
      <Group mt="md" justify="space-between">
        <Button onClick={onTake} size="md">
          {PLAN_CARDS.toUseThisSchedule}
        </Button>
        {comparable && (
          <Checkbox
            label={PLAN_CARDS.compare}
            checked={compared}
            onChange={(e) => onCompare(e.currentTarget.checked)}
            aria-label={PLAN_CARDS.compare2(title)}
          />
        )}
      </Group>
    </Card>
  )
}

/** The day with a little yeast, where the levain alone makes none that will do. */
function YeastCard({ way, onTake }: { readonly way: YeastedWay; readonly onTake: (way: YeastedWay) => void }) {
  const { kitchen, format } = useKitchen()
  const { plan, told, yeastGrams, share } = way
  const fromMs = Math.min(way.problem.nowMs, sure(plan.stages[0]).startMs)
  return (
    <Card title={PLAN_CARDS.withYeast} data-testid="with-yeast">
      <DayStrip plan={plan} fromMs={fromMs} toMs={plan.times.outMs} />
      <PlanFigures plan={plan} chance={null} feeds={false} />
      <Text mt="sm">
        {PLAN_CARDS.howWithYeast(format.mass(yeastGrams, 0.1), format.percent(share, 1))} {capital(proofWords(plan, kitchen, format))}.
      </Text>
      <Text c="dimmed" mt={4}>
        {PLAN_CARDS.workFlourForLevain(format.duration(told.handsMinutes / 60), format.mass(Math.round(told.flourGrams)))}
      </Text>
      <Button mt="md" variant="default" size="md" onClick={() => onTake(way)}>
        {PLAN_CARDS.toUseWithYeast}
      </Button>
    </Card>
  )
}

/** The hours of a day, and how likely its levain is ready; null where that is not known, or nobody waits for it. */
function PlanFigures({
  plan,
  chance,
  feeds
}: {
  readonly plan: DayPlan
  readonly chance: number | null
  /** It begins with a feed of the jar, and not with a build. */
  readonly feeds: boolean
}) {
  const { format } = useKitchen()
  const first = sure(plan.stages[0])
  return (
    <div className={classes.figures}>
      <Figure value={format.dayTime(near(first.startMs))} name={feeds || first.stage.kind === 'wake' ? 'feed the jar' : 'begin'} />
      <Figure value={format.dayTime(near(plan.mixMs))} name={PLAN_CARDS.mix} />
      <Figure value={format.dayTime(near(plan.times.outMs))} name={PLAN_CARDS.outOven2} />
      {chance !== null && <Figure value={format.percent(chance, 0)} name={PLAN_CARDS.chanceReadyWhileYoureHome2} />}
    </div>
  )
}

/** No plan keeps all limits: which one breaks it, and the smallest change that mends it. */
function NoWay({
  found: { bent, later },
  problem,
  onTake,
  onLater
}: {
  readonly found: NonNullable<NonNullable<PlanSearch['found']>['mendings']>
  readonly problem: PlanProblem
  readonly onTake: (plan: DayPlan) => void
  readonly onLater: (atMs: number) => void
}) {
  const { kitchen, format } = useKitchen()
  const now = useNow()
  const titles = useMemo(() => planTitles(problem, bent, kitchen, format), [problem, bent, kitchen, format])
  return (
    <Card title={PLAN_CARDS.noScheduleFitsAllYour} tone="care">
      {bent.length === 0 && later === null && <Text>{PLAN_CARDS.noLevainCanBeReady(format.dayTime(now))}</Text>}
      {bent.map((plan, i) => (
        <div key={`${plan.stages[0]?.startMs} ${plan.mixMs} ${plan.times.outMs}`}>
          <Text mt={i === 0 ? undefined : 'md'} fw={700}>
            {titles.get(plan)}
          </Text>
          <Text>{i === 0 ? PLAN_CARDS.smallestChangeThatWouldHelp : PLAN_CARDS.orThisChange}</Text>
          <ul>
            {plan.violations.map((v) => (
              <li key={`${v.kind} ${v.step} ${v.fromMs}`}>{violationWords(v, plan, kitchen, format)}</li>
            ))}
          </ul>
          <Button variant="default" onClick={() => onTake(plan)}>
            {PLAN_CARDS.toUseAnywayBegin(format.dayTime(near(plan.stages[0]?.startMs ?? now)))}
          </Button>
        </div>
      ))}
      {later !== null && (
        <>
          <Text mt="md">{PLAN_CARDS.earliest(problem.wish.kind, format.dayTime(near(wishableMs(later, problem.wish))))}</Text>
          <Button mt="xs" variant="default" onClick={() => onLater(wishableMs(later, problem.wish))}>
            {PLAN_CARDS.planFor(format.dayTime(near(wishableMs(later, problem.wish))))}
          </Button>
        </>
      )}
    </Card>
  )
}

function Compared({ pair, problem }: { readonly pair: readonly [Offered, Offered]; readonly problem: PlanProblem }) {
  const { kitchen, format } = useKitchen()
  const rows: readonly [string, (offer: Offered) => string][] = [
    ['Schedule', ({ title }) => title],
    ['Begins', ({ plan }) => format.dayTime(near(plan.stages[0]?.startMs ?? 0))],
    ['Ratio', ({ plan }) => plan.stages.map(({ stage }) => stageRatio(problem, stage)).join(', then ')],
    ['Mix', ({ plan }) => format.dayTime(near(plan.mixMs))],
    ['Shape', ({ plan }) => format.dayTime(near(plan.times.shapeMs))],
    ['Proof', ({ plan }) => proofWords(plan, kitchen, format)],
    [PLAN_CARDS.intoOven, ({ plan }) => format.dayTime(near(plan.times.bakeMs))],
    [PLAN_CARDS.outOven, ({ plan }) => format.dayTime(near(plan.times.outMs))],
    [PLAN_CARDS.chanceReadyWhileYoureHome, ({ chance }) => (chance === null ? '' : format.percent(chance, 0))],
    ['Work', ({ told }) => (told === null ? '' : format.duration(told.handsMinutes / 60))],
    [PLAN_CARDS.flourForLevain, ({ flourGrams }) => (flourGrams === null ? '' : format.mass(Math.round(flourGrams)))],
    [PLAN_CARDS.toDiscardPot2, ({ told }) => (told === null ? '' : format.mass(Math.round(told.discardGrams)))],
    ['Taste', ({ plan, told }) => (told === null ? '' : tasteWord(told, plan))]
  ]
  return (
    <Table verticalSpacing="xs">
      <Table.Tbody>
        {rows.map(([name, of]) => {
          const [a, b] = [of(pair[0]), of(pair[1])]
          return (
            <Table.Tr key={name}>
              <Table.Th>{name}</Table.Th>
              <Table.Td fw={a === b ? 400 : 700}>{a}</Table.Td>
              <Table.Td fw={a === b ? 400 : 700}>{b}</Table.Td>
            </Table.Tr>
          )
        })}
      </Table.Tbody>
    </Table>
  )
}
