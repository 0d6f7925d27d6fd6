import { ActionIcon, Group, Menu, Skeleton, TextInput } from '@mantine/core'
import { useDisclosure, useHotkeys } from '@mantine/hooks'
import { IconArrowBackUp, IconArrowForwardUp, IconDots } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { lazy, Suspense, useCallback, useMemo } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { type Bake, beliefIn, beliefOfBake, type Cultures, dayOfBake, minuteOf, planAgain, solvePlan, startedOf } from '../../../answers'
import { type Plan, planSchema, planToWire } from '../../../contract'
import { type BakeState, hasBegun, sure } from '../../../core'
import { fieldProblem, near } from '../../../words'
import { BAKE_SHEET } from '../../../words/screens/bake'
import { createBake, removeBake, restoreBake, useBake } from '../../data/bakes'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useForecasts, useVerdicts } from '../../data/forecasts'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Note } from '../../parts/cards/Card'
import { History } from '../../parts/cards/History'
import { Quiet } from '../../parts/cards/Quiet'
import { tellDone, tellError } from '../../parts/cards/tell'
import { plannedHill, recordHill, runningHill } from '../../parts/ribbon/hills'
import { Ribbon } from '../../parts/ribbon/Ribbon'
import { withDay } from '../../parts/ribbon/useHills'
import { STATIONS, type StationId } from '../../parts/stations'
import { useNarrow } from '../../parts/useNarrow'
import { useOnce } from '../../parts/useOnce'
import classes from './BakeSheet.module.css'
import { BakeContext, type BakeHere } from './bakeHere'
import { Conflict } from './Conflict'
import { PlanRibbon } from './PlanRibbon'
import { heldDay } from './plan/moveOfDay'
import { freeStart, type PlanPatch } from './planDraft'
import { stationFigure } from './stationFigure'
import { usePlanDraft } from './usePlanDraft'

const RecipeStation = lazy(() => import('./recipe/RecipeStation').then((m) => ({ default: m.RecipeStation })))
const LevainStation = lazy(() => import('./levain/LevainStation').then((m) => ({ default: m.LevainStation })))
const PlanStation = lazy(() => import('./plan/PlanStation').then((m) => ({ default: m.PlanStation })))
const WeighStation = lazy(() => import('./weigh/WeighStation').then((m) => ({ default: m.WeighStation })))
const WatchStation = lazy(() => import('./watch/WatchStation').then((m) => ({ default: m.WatchStation })))
const BreadStation = lazy(() => import('./bread/BreadStation').then((m) => ({ default: m.BreadStation })))
/** No more than this of a jar's past is drawn. */
const LONGEST_BEFORE_MS = 24 * millisecondsInHour
/** Stations where a plan is edited. */
const EDITED_AT: ReadonlySet<StationId> = new Set(['recipe', 'levain', 'plan'])
const VIEWS = { recipe: RecipeStation, levain: LevainStation, plan: PlanStation, weigh: WeighStation, watch: WatchStation, bread: BreadStation } as const

/** Station a bake opens at: where its work is. */
const HOME: Readonly<Record<Bake['status'], StationId>> = { planned: 'recipe', building: 'weigh', ripening: 'watch', mixed: 'bread', baked: 'watch' }

/** One bake, from wish to mix: the ribbon, the path of stations, and the open one. */
export function BakeSheet() {
  const { id = '' } = useParams()
  const { bake, error } = useBake(id)
  const { cultures, error: jarsError } = useCultures()
  const failure = error ?? jarsError
  if (bake !== undefined && cultures !== undefined) return <Sheet key={id} bake={bake} cultures={cultures} />
  if (failure !== undefined)
    return <Quiet title={BAKE_SHEET.thisBakeCouldNotBe} words={failure.message} action={{ label: BAKE_SHEET.allBakes, href: '/bakes' }} />
  return <Skeleton height={320} radius={0} />
}

function Sheet({ bake, cultures }: { bake: Bake; cultures: Cultures }) {
  const { jars } = cultures
  const { station: asked } = useParams()
  const navigate = useNavigate()
  const here = useKitchen()
  const { kitchen, format } = here
  const now = useNow()
  const narrow = useNarrow()
  const minute = minuteOf(now)
  const station: StationId = STATIONS.find((s) => s.id === asked)?.id ?? HOME[bake.status]
  const { state } = bake
  const started = useMemo(() => startedOf(bake), [bake])
  const solve = useMemo(
    () => onceEach((plan: Plan) => (planSchema.safeParse(planToWire(plan)).success ? solvePlan(plan, cultures, here, minute, started) : null)),
    [cultures, here, minute, started]
  )
  const sendable = useCallback((plan: Plan) => solve(plan)?.problem === null, [solve])
  const draft = usePlanDraft(bake, sendable)
  const { plan } = draft
  const solved = useMemo(() => solve(plan), [solve, plan])
  const checked = solved === null ? planSchema.safeParse(planToWire(plan)) : null
  const trouble = checked?.error === undefined ? null : fieldProblem(checked.error, format)
  const frozen = state.status !== 'planned'
  /** What ferments ahead is weighed: masses stand, times may still be moved. */
  const massesStand = hasBegun(state)
  const judged = useVerdicts(
    useMemo(() => [bake], [bake]),
    now,
    cultures
  )?.get(bake.id)
  const asItIs = plan.build.source === 'as it is'
  // A jar that is used as it is has its own hill until the dough is mixed.
  const isPlanned = asItIs ? state.mixed === null : state.band === null
  const plannedLine = isPlanned ? (solved?.build?.asItStands.line ?? null) : null
  const forecast = useForecasts(
    useMemo(
      () => (plannedLine === null ? [] : [{ id: bake.id, line: plannedLine, school: plan.school, belief: beliefIn(cultures.beliefs, plan.jarId) }]),
      [plannedLine, bake.id, plan.school, plan.jarId, cultures]
    )
  ).get(bake.id)
  const hill = useMemo(() => {
    const shown = { ...bake, plan }
    if (judged !== undefined) return runningHill(judged, cultures)
    if (bake.line !== null && !isPlanned) return recordHill(shown, bake.line, cultures)
    return plannedHill(shown, solved, cultures, forecast)
  }, [bake, plan, judged, cultures, solved, forecast, isPlanned])
  const day = useMemo(
    () => dayOfBake(bake, { plan, solved, verdict: judged?.verdict ?? null }, here, cultures, minute),
    [bake, plan, solved, judged, here, cultures, minute]
  )
  const hills = useMemo(() => (hill === null ? [] : [withDay(hill, plan, day.times, state.band === null ? day.beginsMs : null)]), [hill, plan, day, state.band])
  const height = narrow ? 204 : 216
  const { mixMs } = day
  // A jar that is used as it is may have been fed days ago.
  const earliestMs = asItIs ? minute - LONGEST_BEFORE_MS : 0
  const startMs = Math.max(hills[0]?.points[0]?.ms ?? mixMs - 8 * millisecondsInHour, earliestMs)
  const endMs = Math.max(hill?.points.at(-1)?.ms ?? mixMs, mixMs, station === 'plan' || state.mixed !== null ? (day.times?.outMs ?? 0) : 0)
  const fromMs = (state.mixed === null ? Math.min(startMs, minute) : startMs) - 1.5 * millisecondsInHour
  const open = (to: StationId) => void navigate(`/bakes/${bake.id}/${to}`, { replace: true })
  const index = STATIONS.findIndex((s) => s.id === station)
  useHotkeys(
    kitchen.keys
      ? [
          ...STATIONS.map((s, i) => [String(i + 1), () => open(s.id)] as [string, () => void]),
          ['ArrowLeft', () => index > 0 && open(sure(STATIONS[index - 1]).id)],
          ['ArrowRight', () => index < STATIONS.length - 1 && open(sure(STATIONS[index + 1]).id)]
        ]
      : []
  )
  useHotkeys([
    ['mod+Z', () => !frozen && draft.undo()],
    ['mod+shift+Z', () => !frozen && draft.redo()],
    ['mod+Y', () => !frozen && draft.redo()]
  ])
  const View = VIEWS[station]
  const bakeHere: BakeHere = {
    bake,
    state,
    plan,
    edit: (patch: PlanPatch) => draft.edit(freeStart(patch)),
    undo: draft.undo,
    redo: draft.redo,
    revision: draft.revision,
    solved,
    forecast,
    judged,
    day,
    belief: beliefOfBake({ ...bake, plan }, cultures.beliefs),
    jars,
    jar: jars.find((j) => j.id === plan.jarId),
    now,
    frozen: station === 'recipe' || station === 'levain' ? massesStand : frozen
  }
  return (
    <BakeContext value={bakeHere}>
      <div className={classes.head}>
        <NameField name={plan.name} frozen={frozen} onName={(name) => draft.edit({ name })} />
        <span className={classes.meta}>
          {state.mixed === null ? 'mix' : 'mixed'} {format.dayTime(state.mixed === null ? near(mixMs) : mixMs)}
        </span>
        <Group gap={4} ml="auto" wrap="nowrap">
          <span className={classes.saved} role="status">
            {frozen ? '' : draft.state === 'saved' ? 'saved' : draft.state === 'saving' ? 'saving' : BAKE_SHEET.notSavedYet}
          </span>
          {draft.canUndo && !frozen && (
            <ActionIcon aria-label={BAKE_SHEET.undoLastChange} onClick={draft.undo}>
              <IconArrowBackUp size={22} />
            </ActionIcon>
          )}
          {draft.canRedo && !frozen && (
            <ActionIcon aria-label={BAKE_SHEET.doChangeAgain} onClick={draft.redo}>
              <IconArrowForwardUp size={22} />
            </ActionIcon>
          )}
          <SheetMenu bake={bake} plan={plan} cultures={cultures} now={now} />
        </Group>
      </div>
      {frozen ? (
        <Ribbon fromMs={fromMs} toMs={endMs + 2 * millisecondsInHour} nowMs={now} hills={hills} height={height} />
      ) : (
        <PlanRibbon
          hill={hills[0] ?? null}
          held={heldDay(day)}
          fromMs={fromMs}
          toMs={endMs + 2 * millisecondsInHour}
          height={height}
          open={station === 'plan'}
        />
      )}
      <nav className={classes.path} aria-label={BAKE_SHEET.stations}>
        {STATIONS.map((s) => (
          <Link
            key={s.id}
            to={`/bakes/${bake.id}/${s.id}`}
            replace
            className={classes.station}
            aria-current={s.id === station ? 'step' : undefined}
            data-done={isDone(s.id, state)}
          >
            <span className={classes.knot} />
            <span className={classes.label}>{s.label}</span>
            <span className={classes.figure}>{stationFigure(s.id, bakeHere, format)}</span>
          </Link>
        ))}
      </nav>
      <p className={classes.openFigure} aria-hidden="true">
        {stationFigure(station, bakeHere, format)}
      </p>
      <div className={classes.room}>
        {bake.deletedAt !== null && <Note tone="care">{BAKE_SHEET.thisBakeHasBeenTaken}</Note>}
        {draft.refusal !== null && <Note tone="stop">{BAKE_SHEET.whatYouTypedKeptHere(draft.refusal)}</Note>}
        {trouble !== null && <Note tone="stop">{trouble}</Note>}
        {bakeHere.frozen && bake.deletedAt === null && EDITED_AT.has(station) && (
          <div className={classes.fixed}>
            <Note>
              {state.mixed !== null ? BAKE_SHEET.fixedMixed : state.band !== null ? BAKE_SHEET.fixedMarked : BAKE_SHEET.fixedPoured}{' '}
              {state.mixed === null && <Link to={`/bakes/${bake.id}/weigh`}>{BAKE_SHEET.goThere}</Link>}
            </Note>
          </div>
        )}
        <Suspense fallback={<Skeleton height={240} />}>
          <View />
        </Suspense>
      </div>
      {draft.conflict !== null && (
        <Conflict
          mine={draft.conflict.merged.mine}
          theirs={draft.conflict.merged.theirs}
          jars={jars}
          solve={solve}
          onMine={draft.keepMine}
          onTheirs={draft.takeTheirs}
        />
      )}
    </BakeContext>
  )
}

/** A function of an object that is worked out once for each. */
function onceEach<Key extends object, Value>(reckon: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { readonly value: Value }>()
  return (key) => {
    const there = known.get(key) ?? { value: reckon(key) }
    known.set(key, there)
    return there.value
  }
}

/** Whether the work of a station is behind us; said in words by its figure, too. */
function isDone(id: StationId, state: BakeState): boolean {
  if (id === 'watch') return state.mixed !== null
  if (id === 'bread') return state.deeds.has('out')
  return id === 'weigh' ? state.band !== null : state.status !== 'planned'
}

function NameField({ name, frozen, onName }: { name: string; frozen: boolean; onName: (name: string) => void }) {
  if (frozen) return <h1 className={classes.title}>{name}</h1>
  return (
    <h1 className={classes.title}>
      <TextInput
        aria-label={BAKE_SHEET.nameBake}
        variant="unstyled"
        key={name}
        defaultValue={name}
        maxLength={80}
        classNames={{ input: classes.nameInput }}
        onBlur={(event) => {
          const next = event.currentTarget.value.trim()
          if (next === '') event.currentTarget.value = name
          else if (next !== name) onName(next)
        }}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </h1>
  )
}

function SheetMenu({ bake, plan, cultures, now }: { bake: Bake; plan: Plan; cultures: Cultures; now: number }) {
  const [changing, changed] = useDisclosure(false)
  const navigate = useNavigate()
  const here = useKitchen()
  const again = useOnce(async (every: 'day' | 'week') => {
    const id = newId()
    const created = createBake(id, planAgain({ plan }, every, cultures, here, now), now).catch(tellError)
    void navigate(`/bakes/${id}/recipe`)
    await created
  })
  const remove = () => {
    removeBake(bake.id).then(() => tellDone(BAKE_SHEET.hasBeenTakenAway(plan.name), () => restoreBake(bake.id)), tellError)
    void navigate('/bakes')
  }
  return (
    <>
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon aria-label={BAKE_SHEET.moreForThisBake}>
            <IconDots size={22} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => again.run('day')}>{BAKE_SHEET.bakeThisAgainDayOn}</Menu.Item>
          <Menu.Item onClick={() => again.run('week')}>{BAKE_SHEET.bakeThisAgainWeekOn}</Menu.Item>
          <Menu.Item onClick={changed.open}>{BAKE_SHEET.whatWasChanged}</Menu.Item>
          <Menu.Item onClick={remove}>{BAKE_SHEET.takeThisBakeAway}</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      {changing && <History what="plan" ofId={bake.id} title={plan.name} onClose={changed.close} />}
    </>
  )
}
