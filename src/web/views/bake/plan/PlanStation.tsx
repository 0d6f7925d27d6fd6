import { Button, Group } from '@mantine/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { awaitsPot, coldPlaceOf, lineSearched, plannedSteps, planProblemOf, shiftedTo, takePlan, takeYeasted, wayTaken } from '../../../../answers'
import type { MovableStep, Plan } from '../../../../contract'
import { type BreadWish, type DayPlan, isAwaited, isFedAgain, jarOutBefore, type LevainHabit, type PlanProblem, type YeastedWay } from '../../../../core'
import { moveSentence, near, planTitle } from '../../../../words'
import { ONE_POT } from '../../../../words/screens/levain'
import { PLAN_CARDS, PLAN_STATION } from '../../../../words/screens/plan'
import { useCultures } from '../../../data/beliefs'
import { moveJar } from '../../../data/jars'
import { useKitchen } from '../../../data/kitchen'
import { usePlans } from '../../../data/plans'
import { Card, Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { MomentField } from '../../../parts/fields/MomentField'
import { ClashNotes } from '../../../parts/keeping/ClashNotes'
import { useNarrow } from '../../../parts/useNarrow'
import { FIND } from '../../../parts/useNewBake'
import { AsItIsCard } from '../AsItIsCard'
import classes from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { OnePotCard } from '../levain/OnePotCard'
import { Warnings } from '../Warnings'
import { BeginCard } from './BeginCard'
import { DayList } from './DayList'
import { DoughAfterCard } from './DoughAfterCard'
import { DoughDayCard } from './DoughDayCard'
import { DriversCard } from './DriversCard'
import { ExpectCard } from './ExpectCard'
import { heldDay, heldOf, moveOfDay } from './moveOfDay'
import { PlanCards } from './PlanCards'
import { SourHere } from './SourHere'
import { StandCard } from './StandCard'
import { useBusyHere } from './useBusyHere'
import { breadOf, WishCard } from './WishCard'

/** When: the bread that is wanted, the ways to it, and the day that was chosen, step by step. */
export function PlanStation() {
  const bakeHere = useBakeHere()
  const { bake, plan, edit, solved, day, frozen, state, now, belief } = bakeHere
  const here = useKitchen()
  const { kitchen } = here
  const { cultures } = useCultures()
  const { days, others, busy, fromMs: from } = useBusyHere(bake.id, now)
  const [question, setQuestion] = useSearchParams()
  const [open, setOpen] = useState(question.has(FIND))
  const [loose, setLoose] = useState<BreadWish | null>(null)
  const [habit, setHabit] = useState<LevainHabit['kind'] | null>(null)
  const [stuck, setStuck] = useState<string | null>(null)
  const build = solved?.build ?? null
  const mixMs = plan.mixAt
  const { steps, times } = day
  const wish: BreadWish = loose ?? (plan.bread === null ? { kind: 'out', atMs: times?.outMs ?? mixMs } : { kind: plan.bread.kind, atMs: plan.bread.at })
  const asked = JSON.stringify(wish)
  const jarInFridge = bakeHere.jar !== undefined && coldPlaceOf(bakeHere.jar, kitchen, now) !== undefined ? bakeHere.jar : null
  const levainHabit = habit === 'jar out in the morning' && jarInFridge === null ? null : habit
  const problem = useMemo(
    () =>
      frozen || cultures === undefined ? null : planProblemOf(bake, plan, solved, JSON.parse(asked) as BreadWish, cultures, here, from, others, levainHabit),
    [frozen, bake, plan, solved, asked, cultures, here, from, others, levainHabit]
  )
  const line = useMemo(() => (cultures === undefined ? null : lineSearched(plan, solved, cultures, here, from)), [plan, solved, cultures, here, from])
  const search = usePlans(problem, line, belief, open)
  /** What is planned moves along with the wish; other ways to it are searched when they are asked for. */
  const ask = (next: BreadWish) => {
    const bread = breadOf(next)
    setLoose(bread === null ? next : null)
    if (bread === null) setOpen(true)
    else edit((p) => ({ bread, ...shiftedTo(p, bread, times, now) }))
  }
  const onTrial = useCallback(
    (chosen: DayPlan, of: PlanProblem) => (cultures === undefined ? null : wayTaken(plan, of, chosen, cultures, here, from)),
    [plan, cultures, here, from]
  )
  const taken = (patch: Partial<Plan>, title: string) => {
    edit({ ...patch, bread: breadOf(wish) })
    setLoose(null)
    setOpen(false)
    setStuck(null)
    tellDone(PLAN_STATION.taken(title))
  }
  const take = (chosen: DayPlan, of: PlanProblem) => {
    const outMs = jarOutBefore(of, chosen.stages[0]?.startMs ?? 0)
    // The jar is to come out first: its own move, as its page and Today tell it.
    if (outMs !== null && jarInFridge !== null && of.levainHabit?.kind === 'jar out in the morning')
      moveJar(jarInFridge, of.levainHabit.place.id, outMs, true).catch(tellError)
    taken(takePlan(plan, of, chosen, kitchen), planTitle(of, chosen, kitchen))
  }
  const takeWithYeast = (way: YeastedWay) => taken(takeYeasted(plan, way, solved, kitchen), PLAN_CARDS.yeastIntoRecipe)
  const held = heldOf(build, day.mixMs)
  const asItIs = plan.build.source === 'as it is'
  const awaits = awaitsPot(plan)
  const easiest = search.found?.plans[0]?.plan
  // Whoever has just asked for bread, and chosen nothing yet, gets the easiest schedule; the others are found again by the button.
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken once, when it is found
  useEffect(() => {
    if (!question.has(FIND) || easiest === undefined || problem === null) return
    setQuestion({}, { replace: true })
    take(easiest, problem)
  }, [easiest])
  const move = (step: MovableStep, toMs: number) => {
    const moved = moveOfDay(bakeHere, held, heldDay(day), step, Math.max(toMs, now), 'start')
    setStuck(moved.ok ? (moved.stuck === null ? null : moveSentence(moved.stuck)) : moveSentence(moved.problem))
    if (moved.ok) edit(moved.patch)
  }
  const narrow = useNarrow()
  const ways =
    frozen || !open ? null : awaits ? (
      <Note>{ONE_POT.noSchedules}</Note>
    ) : plan.before.some(({ id }) => isFedAgain(id)) ? (
      <Note>{PLAN_STATION.fedAgain}</Note>
    ) : problem === null ? (
      <Note tone="stop">{PLAN_STATION.setDoughAndLevainFirst}</Note>
    ) : (
      <PlanCards
        search={search}
        problem={problem}
        onTrial={onTrial}
        belief={belief}
        onTake={take}
        onYeast={takeWithYeast}
        onLater={(atMs) => ask(laterWish(wish, near(atMs)))}
        jarName={bakeHere.jar?.name ?? ''}
      />
    )
  return (
    <>
      <ClashNotes days={days} only={bake.id} />
      <div className={classes.columns}>
        <div className={classes.stack}>
          {!frozen &&
            (plan.course === null ? (
              <Card title={PLAN_STATION.readyToMix}>
                <MomentField ms={mixMs} fromMs={now} onMs={(ms) => edit({ mixAt: ms })} />
                <Warnings codes={['mix in the night']} />
              </Card>
            ) : (
              <WishCard
                wish={wish}
                ready={{ mix: mixMs, out: times?.outMs ?? mixMs, eat: times?.eatMs ?? mixMs }}
                now={now}
                searching={open && search.share < 1 && problem !== null}
                habit={levainHabit}
                jarInFridge={jarInFridge?.name ?? null}
                onHabit={(next) => {
                  setHabit(next)
                  if (next !== null) setOpen(true)
                }}
                onWish={ask}
                onFind={() => setOpen(true)}
              />
            ))}
          {narrow && ways}
          {!awaits && <BeginCard />}
          {stuck !== null && <Note tone="care">{stuck}</Note>}
          <DayList steps={steps} planned={plannedSteps(bake)} onMove={move} />
          <fieldset disabled={frozen} className={classes.plain}>
            <DoughDayCard />
          </fieldset>
        </div>
        <div className={classes.stack}>
          {!narrow && ways}
          {awaits ? (
            <OnePotCard />
          ) : (
            <>
              {asItIs ? <AsItIsCard /> : <ExpectCard busy={busy} fromMs={from} />}
              <SourHere />
              <fieldset disabled={frozen} className={classes.plain}>
                <StandCard />
              </fieldset>
              {!asItIs && isAwaited(plan.school) && <DriversCard />}
            </>
          )}
          {(bake.status !== 'baked' || plan.course !== null) && <DoughAfterCard />}
          <Group>
            {build !== null && !asItIs && !awaits && (
              <Button component={Link} to={`/bakes/${bake.id}/compare`} variant="default" size="lg">
                {PLAN_STATION.compareWithOtherBuilds}
              </Button>
            )}
            {state.band === null && !awaits && (
              <Button component={Link} to={`/bakes/${bake.id}/weigh`} variant="light" size="lg">
                {PLAN_STATION.goToWeigh}
              </Button>
            )}
          </Group>
        </div>
      </div>
    </>
  )
}

/** The same wish at a later hour; of a habit its mix. */
const laterWish = ({ kind }: BreadWish, atMs: number): BreadWish => ({ kind: kind === 'habit' ? 'mix' : kind === 'soonest' ? 'out' : kind, atMs })
