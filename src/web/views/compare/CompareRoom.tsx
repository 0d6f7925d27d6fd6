import { ActionIcon, Button, Select, Skeleton } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { millisecondsInHour, millisecondsInMinute } from 'date-fns/constants'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { type Bake, beliefIn, type Cultures, fitWindow, solveBakeHere, variantTaken } from '../../../answers'
import {
  bringsGluten,
  buildFrom,
  type ComparedBuild,
  FLOUR_KINDS,
  type FlourKind,
  type Format,
  POSSIBLE,
  type SolvedLevain,
  type SourAsked,
  sournessOf,
  type Variant,
  variantBuild,
  variantOf
} from '../../../core'
import { leaningWords, near, pHWords, spanWords, ttaWords } from '../../../words'
import { COMPARE_ROOM } from '../../../words/screens/compare'
import { savePlan, useBake } from '../../data/bakes'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useCompared, useUsualSour } from '../../data/compare'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import { Quiet } from '../../parts/cards/Quiet'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { familyOf } from '../../parts/jar/family'
import type { Hill } from '../../parts/ribbon/geometry'
import { Ribbon } from '../../parts/ribbon/Ribbon'
import { SourCard } from '../../parts/sour/SourCard'
import classes from './CompareRoom.module.css'

const LETTERS = ['A', 'B', 'C', 'D'] as const
const letterOf = (i: number): string => LETTERS[i] ?? ''

/** Up to four builds laid over each other, and what each would give. */
export function CompareRoom() {
  const { id = '' } = useParams()
  const { bake, error } = useBake(id)
  const { cultures, error: jarsError } = useCultures()
  const failure = error ?? jarsError
  if (bake !== undefined && cultures !== undefined) return <Opened key={bake.id} bake={bake} cultures={cultures} />
  if (failure !== undefined)
    return <Quiet title={COMPARE_ROOM.thisBakeCouldNotBe} words={failure.message} action={{ label: COMPARE_ROOM.allBakes, href: '/bakes' }} />
  return <Skeleton height={320} radius={0} />
}

function Opened({ bake, cultures }: { readonly bake: Bake; readonly cultures: Cultures }) {
  const here = useKitchen()
  const now = useNow()
  const minute = Math.floor(now / millisecondsInMinute) * millisecondsInMinute
  const levain = useMemo(() => solveBakeHere(bake, cultures, here, minute)?.build ?? null, [bake, cultures, here, minute])
  if (levain === null) {
    return (
      <Quiet
        title={COMPARE_ROOM.thereNoBuildToCompare}
        words={COMPARE_ROOM.giveBakeDoughLevainAnd}
        action={{ label: COMPARE_ROOM.toBake, href: `/bakes/${bake.id}/recipe` }}
      />
    )
  }
  return <Compare bake={bake} cultures={cultures} levain={levain} />
}

/** What one usually asks: a little more flour, a warmer place, a seed from the cold. */
function firstVariants(planned: Variant): readonly Variant[] {
  return [planned, { ...planned, flourPerSeed: Math.round(planned.flourPerSeed * 1.6 * 10) / 10 }, { ...planned, tempC: planned.tempC + 3 }]
}

function Compare({ bake, cultures, levain }: { readonly bake: Bake; readonly cultures: Cultures; readonly levain: SolvedLevain }) {
  const { format } = useKitchen()
  const { plan } = bake
  const belief = beliefIn(cultures.beliefs, plan.jarId)
  const planned = variantOf(levain.planned, Math.round(levain.flourPerSeed * 100) / 100)
  const [variants, setVariants] = useState<readonly Variant[]>(() => firstVariants(planned))
  const { startMs } = levain.asItStands
  const lines = useMemo(
    () =>
      variants.map((variant) => {
        const timed = buildFrom(variantBuild(levain.planned, variant, startMs), startMs, plan.school)
        return timed.ok ? timed.value.line : null
      }),
    [variants, levain, startMs, plan.school]
  )
  const compared = useCompared(lines, belief, plan.school)
  const usual = useUsualSour(plan.jarId, belief)
  const sour = useMemo(
    (): SourAsked | null => (lines[0] == null ? null : { levain: lines[0], dough: null, school: plan.school, jar: belief.centre, begun: false }),
    [lines, plan.school, belief]
  )
  const hills = useMemo(
    () => (compared ?? []).flatMap((c, i) => (c === null ? [] : [hillOf(c, i, startMs, variants[i], levain)])),
    [compared, startMs, variants, levain]
  )
  const endMs = Math.max(startMs + 12 * millisecondsInHour, ...hills.map((h) => h.points.at(-1)?.ms ?? 0))
  const put = (index: number, patch: Partial<Variant>) => setVariants((all) => all.map((v, i) => (i === index ? { ...v, ...patch } : v)))
  const now = useNow()
  const seedFlour = levain.planned.seed.flour
  return (
    <>
      <div className={classes.head}>
        <h1 className={classes.title}>{COMPARE_ROOM.compareBuilds}</h1>
        <Link to={`/bakes/${bake.id}/plan`}>{plan.name}</Link>
        <span className={classes.soft}>{COMPARE_ROOM.allMixed(format.dayTime(near(startMs)))}</span>
      </div>
      <Ribbon fromMs={startMs - millisecondsInHour} toMs={endMs + millisecondsInHour} nowMs={now} hills={hills} height={240} />
      <div className={classes.scroll}>
        <table className={classes.table}>
          <thead>
            <tr>
              <td />
              {variants.map((_, i) => (
                <th key={letterOf(i)} scope="col">
                  <span className={classes.build}>
                    <span className={classes.letter}>{letterOf(i)}</span>
                    {i === 0 ? (
                      COMPARE_ROOM.asPlanned
                    ) : (
                      <ActionIcon aria-label={COMPARE_ROOM.takeAway(letterOf(i))} onClick={() => setVariants((all) => all.filter((__, at) => at !== i))}>
                        <IconMinus size={20} />
                      </ActionIcon>
                    )}
                  </span>
                </th>
              ))}
              {variants.length < LETTERS.length && (
                <td>
                  <Button size="sm" variant="subtle" leftSection={<IconPlus size={18} />} onClick={() => setVariants((all) => [...all, all.at(-1) ?? planned])}>
                    {COMPARE_ROOM.oneMore}
                  </Button>
                </td>
              )}
            </tr>
          </thead>
          <tbody>
            {RESULTS.map(({ name, says }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                {variants.map((_, i) => {
                  const one = compared?.[i]
                  return (
                    <td key={letterOf(i)} className={classes.figure}>
                      {compared === undefined
                        ? '…'
                        : one === null || one === undefined
                          ? 'never ripe'
                          : says(one, { format, startMs, usual: usual?.tta ?? (i === 0 ? null : (compared[0]?.sour?.tta ?? null)) })}
                    </td>
                  )
                })}
              </tr>
            ))}
            <Asked name="Flour to one part of starter" planned={String(planned.flourPerSeed)} variants={variants}>
              {(v, i) => (
                <QuantityField
                  kind="parts"
                  aria-label={COMPARE_ROOM.flourToOnePartStarter(letterOf(i))}
                  what={COMPARE_ROOM.ratio}
                  value={v.flourPerSeed}
                  range={POSSIBLE.flourPerSeed}
                  onCommit={(flourPerSeed) => put(i, { flourPerSeed })}
                />
              )}
            </Asked>
            <Asked name="How warm it stands" planned={format.temperature(planned.tempC)} variants={variants}>
              {(v, i) => (
                <QuantityField
                  kind="temperature"
                  aria-label={COMPARE_ROOM.howWarmStands(letterOf(i))}
                  what={COMPARE_ROOM.place}
                  value={v.tempC}
                  range={POSSIBLE.tempC}
                  onCommit={(tempC) => put(i, { tempC })}
                />
              )}
            </Asked>
            <Asked name="Flour" planned={COMPARE_ROOM.asPlanned} variants={variants}>
              {(v, i) => (
                <Select
                  aria-label={COMPARE_ROOM.flour(letterOf(i))}
                  allowDeselect={false}
                  data={[{ value: '', label: COMPARE_ROOM.asPlanned }, ...FLOUR_KINDS.map((kind) => ({ value: kind, label: kind }))]}
                  value={v.flour ?? ''}
                  onChange={(flour) => put(i, { flour: flour === '' || flour === null ? null : (flour as FlourKind) })}
                />
              )}
            </Asked>
            <Asked name="Hydration" planned={format.percent(planned.hydration, 0)} variants={variants}>
              {(v, i) => (
                <QuantityField
                  kind="percent"
                  aria-label={COMPARE_ROOM.hydration2(letterOf(i))}
                  what={COMPARE_ROOM.hydration}
                  value={v.hydration}
                  range={POSSIBLE.levainHydration}
                  onCommit={(hydration) => put(i, { hydration })}
                />
              )}
            </Asked>
            <Asked name="Starter" planned={COMPARE_ROOM.asJar} variants={variants}>
              {(v, i) => (
                <Select
                  aria-label={COMPARE_ROOM.starter(letterOf(i))}
                  allowDeselect={false}
                  data={SEEDS}
                  value={v.seedColdDays === null ? '' : String(v.seedColdDays)}
                  onChange={(days) => put(i, { seedColdDays: days === '' || days === null ? null : Number(days) })}
                />
              )}
            </Asked>
            <tr>
              <td />
              {variants.map((variant, i) => (
                <td key={letterOf(i)}>
                  {i > 0 && lines[i] !== null && (
                    <TakeOver
                      bake={bake}
                      variant={variant}
                      letter={letterOf(i)}
                      startMs={startMs}
                      compared={compared?.[i] ?? null}
                      hold={bringsGluten(variant, seedFlour)}
                    />
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      <div className={classes.notes}>
        {variants.some((v) => bringsGluten(v, seedFlour)) && <Note tone="stop">{COMPARE_ROOM.oneTheseWouldBringGluten}</Note>}
        <Note>{COMPARE_ROOM.sournessToldBeside(usual === null ? COMPARE_ROOM.plannedBuild : COMPARE_ROOM.yourLastBakesFromThis)}</Note>
        <SourCard asked={sour} usual={usual} />
      </div>
    </>
  )
}

const SEEDS = [
  { value: '', label: COMPARE_ROOM.asJar },
  { value: '0', label: COMPARE_ROOM.ripe },
  ...[1, 2, 3, 5, 7, 10, 14].map((d) => ({ value: String(d), label: d === 1 ? COMPARE_ROOM.dayInCold : COMPARE_ROOM.daysInCold(d) }))
]

/** A row of what is asked. */
function Asked({
  name,
  planned,
  variants,
  children
}: {
  readonly name: string
  /** What the planned one has, which is not asked. */
  readonly planned: string
  readonly variants: readonly Variant[]
  readonly children: (variant: Variant, index: number) => React.ReactNode
}) {
  return (
    <tr>
      <th scope="row">{name}</th>
      {variants.map((variant, i) => (
        <td key={letterOf(i)}>{i === 0 ? planned : children(variant, i)}</td>
      ))}
    </tr>
  )
}

interface Told {
  readonly format: Format
  readonly startMs: number
  readonly usual: number | null
}

const at = (hours: number | null, { format, startMs }: Told) =>
  hours === null || !Number.isFinite(hours) ? COMPARE_ROOM.notReached : format.dayTime(near(startMs + hours * millisecondsInHour))

/** What each build would give, row by row. */
const RESULTS: readonly { readonly name: string; readonly says: (one: ComparedBuild, told: Told) => string }[] = [
  { name: 'Doubled', says: (c, told) => at(c.milestones.doubledHours, told) },
  {
    name: COMPARE_ROOM.readyToMix,
    says: ({ forecast: { opens, closes } }, told) =>
      Number.isFinite(closes.p50)
        ? spanWords(told.startMs + opens.p50 * millisecondsInHour, told.startMs + closes.p50 * millisecondsInHour, told.format, true)
        : COMPARE_ROOM.notReached
  },
  { name: 'Peak', says: (c, told) => `${at(c.forecast.peak.p50, told)}, ${told.format.rise(1 + c.milestones.peakGas)}` },
  { name: 'Collapsed', says: (c, told) => at(c.milestones.collapsedHours, told) },
  {
    name: 'Sourness',
    says: ({ sour }, { usual }) => (sour === null ? COMPARE_ROOM.notReached : usual === null ? '' : sournessOf(sour.tta, usual))
  },
  { name: 'pH', says: ({ sour }) => (sour === null ? COMPARE_ROOM.notReached : pHWords(sour.pH)) },
  { name: 'TTA', says: ({ sour }) => (sour === null ? COMPARE_ROOM.notReached : ttaWords(sour.tta)) },
  { name: COMPARE_ROOM.leansTo, says: ({ sour }) => (sour === null ? COMPARE_ROOM.notReached : leaningWords(sour.leaning)) }
]

function hillOf(compared: ComparedBuild, index: number, startMs: number, variant: Variant | undefined, levain: SolvedLevain): Hill {
  const { curve, milestones, forecast } = compared
  const points = curve.gas.map((gas, i) => ({ ms: startMs + i * curve.stepHours * millisecondsInHour, gas }))
  const end = (milestones.collapsedHours ?? Number.POSITIVE_INFINITY) * millisecondsInHour + startMs
  const letter = letterOf(index)
  return {
    id: letter,
    label: letter,
    family: familyOf(variant?.flour ?? levain.planned.seed.flour),
    running: false,
    letter,
    points: points.filter((p) => p.ms <= end),
    window: fitWindow(forecast, startMs)
  }
}

/** Takes a what-if over into the bake: its ratio, warmth and hydration, and the time it is ripe. */
function TakeOver({
  bake,
  variant,
  letter,
  startMs,
  compared,
  hold
}: {
  readonly bake: Bake
  readonly variant: Variant
  readonly letter: string
  readonly startMs: number
  readonly compared: ComparedBuild | null
  readonly hold: boolean
}) {
  const navigate = useNavigate()
  const { pantry } = useKitchen()
  const planned = bake.state.status === 'planned'
  const taken = compared === null ? null : variantTaken(bake.plan, variant, startMs, compared.milestones, pantry)
  const take = async () => {
    if (taken === null) return
    const saved = await savePlan(bake.id, bake.version, taken)
    tellDone(COMPARE_ROOM.inBake(letter), async () => {
      await savePlan(bake.id, saved.version, bake.plan)
    })
    void navigate(`/bakes/${bake.id}/plan`)
  }
  return (
    <Button size="sm" variant="light" disabled={!planned || hold || taken === null} onClick={() => void take().catch(tellError)}>
      {COMPARE_ROOM.takeOver(letter)}
    </Button>
  )
}
