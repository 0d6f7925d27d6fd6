import { Button, Group, Text } from '@mantine/core'
import { useNavigate } from 'react-router'
import type { Happening } from '../../../../contract'
import { type BenchTemps, DOUGH_RISE_K, HOTTEST_WATER_C, isWater, measuredKey, type ReckonedMix, reckonMix } from '../../../../core'
import { WORK } from '../../../../words/screens/weigh'
import { useCultures } from '../../../data/beliefs'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/cards/Card'
import { tellDone, tellError } from '../../../parts/cards/tell'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { type Entry, mixItemOf } from '../../../parts/weigh/entry'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import { type PourSource, Weigh } from '../../../parts/weigh/Weigh'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { MixCard } from '../MixCard'
import { shownForecast, shownSteps } from '../shown'
import { Warnings } from '../Warnings'
import { type Job, mixOf } from './jobs'
import { LevainLabel } from './LevainLabel'
import { LevainTruth } from './Poured'
import { type BandNote, minutesSinceMixed, SetBand } from './SetBand'

/** Notes what happened at the bench. */
export type Noting = (event: Happening, minutesAgo?: number) => Promise<void>

/** The item that is due; and once all is in, what follows. */
export function Work({
  job,
  entries,
  onPour,
  onTargets,
  note
}: {
  readonly job: Job
  readonly entries: readonly Entry[]
  readonly onPour: (entry: Entry, grams: number, source: PourSource) => void
  readonly onTargets: (targets: Readonly<Record<string, number>>) => void
  readonly note: Noting
}) {
  const { bake, state, jar, plan, solved, forecast, belief, now } = useBakeHere()
  const here = useKitchen()
  const { kitchen, format } = here
  const { cultures } = useCultures()
  const navigate = useNavigate()
  const isDough = job.into === 'dough'
  const mix = mixOf(job)
  const measured = mix === null ? {} : (state.measured.get(measuredKey(mix)) ?? {})
  const roomC = kitchen.places[0]?.tempC ?? plan.mixTempC
  const reckoned = reckonMix(entries.map(mixItemOf), measured, {
    wantedC: isDough ? (plan.course?.mixTempC ?? plan.mixTempC) : plan.mixTempC,
    flourC: roomC,
    cultureC: isDough ? plan.tempC : (solved?.build?.seedTempC ?? roomC),
    riseK: isDough ? DOUGH_RISE_K : 0
  })
  const { wantedWater: wanted, mixC: expectedC } = reckoned
  const onMeasured = (temps: BenchTemps) => {
    if (mix !== null) note({ type: 'measured', ...mix, ...temps }).catch(tellError)
  }
  if (job.into === 'levain' && state.band !== null) return <Banded onUndo={(id) => note({ type: 'undo', undoes: id }).catch(tellError)} />
  if (entries.some((e) => e.due))
    return (
      <Weigh
        key={`${job.id} ${entries.find((e) => e.due)?.bowl ?? 1}`}
        entries={entries}
        mode={job.into === 'pieces' ? 'pieces' : 'bowl'}
        onPour={onPour}
        onTargets={onTargets}
        aside={(entry) =>
          isWater(entry) && job.into !== 'pieces'
            ? wanted.ok
              ? WORK.atNeverAbove(format.temperature(wanted.value, 0), format.temperature(HOTTEST_WATER_C, 0))
              : WORK.asWarmAsAtMost(format.temperature(HOTTEST_WATER_C, 0))
            : null
        }
        cannotBe={(entry, grams) =>
          'item' in entry.note && entry.note.item === 'seed' && jar !== undefined && grams > jar.grams
            ? WORK.holdsSoCannotHaveCome(jar.name, format.mass(jar.grams), format.mass(grams))
            : null
        }
      >
        {(entry) => (
          <>
            {isWater(entry) && <Temps {...reckoned} onMeasured={onMeasured} />}
            {job.into === 'levain' && state.done.length === 0 && <Warnings always codes={['jar too small', 'gluten into gluten-free', 'vessel too small']} />}
          </>
        )}
      </Weigh>
    )
  if (job.into === 'levain' && plan.build.source === 'as it is') {
    const inBowl = () => note({ type: 'band', mixTempC: solved?.build?.seedTempC ?? roomC }, minutesSinceMixed(state, now))
    const unweighed = () => {
      inBowl().catch(tellError)
      void navigate(`/bakes/${bake.id}/watch`)
    }
    return (
      <Card title={WORK.starterInBowl(jar?.name ?? WORK.starterOrLevain)}>
        <Text>{WORK.goOnWithDough}</Text>
        <Figures>
          <Figure value={<Mass grams={entries.reduce((sum, e) => sum + e.poured, 0)} />} name={WORK.inAll} />
        </Figures>
        <Button size="xl" fullWidth mt="lg" onClick={() => inBowl().catch(tellError)}>
          {WORK.toDough}
        </Button>
        <Button variant="subtle" fullWidth mt="xs" onClick={unweighed}>
          {WORK.restUnweighed}
        </Button>
      </Card>
    )
  }
  if (job.into === 'levain' && solved?.build != null) {
    const { line } = solved.build.asItStands
    const onBand = ({ mixTempC, levelMm, minutesAgo }: BandNote) => {
      note(
        {
          type: 'band',
          mixTempC,
          levelMm,
          ...(forecast === undefined
            ? {}
            : {
                shown: {
                  ...shownForecast(line, forecast, belief),
                  steps: cultures === undefined ? undefined : shownSteps(bake, plan, solved, here, cultures)
                }
              })
        },
        minutesAgo
      ).then(() => tellDone(WORK.levelMarked), tellError)
      void navigate(`/bakes/${bake.id}/watch`)
    }
    return <SetBand expectedC={expectedC} onBand={onBand} />
  }
  if (job.into === 'first build')
    return (
      <Card title={WORK.firstBuildIn}>
        <Text>{WORK.stirWellCoverLooselyAnd}</Text>
        <Note tone="care">{WORK.neverSealFermentingJarTight}</Note>
        <Button
          size="xl"
          fullWidth
          mt="lg"
          onClick={() => note({ type: 'step', step: job.id, did: 'done' }).then(() => tellDone(WORK.firstBuildStands), tellError)}
        >
          {WORK.standsNow}
        </Button>
      </Card>
    )
  if (isDough)
    return (
      <MixCard
        title={WORK.allInMixed}
        expectedC={expectedC}
        onMixed={(event, minutesAgo) => note(event, minutesAgo).then(() => tellDone(WORK.mixed(plan.name)), tellError)}
      />
    )
  return (
    <Card title={job.into === 'pieces' ? WORK.allPiecesAreWeighed : WORK.weighed(job.name)}>
      <Text>{job.into === 'pieces' ? WORK.shapeThemAndPutThem : WORK.stirCoverLooselyAndLet}</Text>
      <Figures>
        <Figure value={<Mass grams={entries.reduce((sum, e) => sum + e.poured, 0)} />} name={WORK.inAll} />
      </Figures>
      {job.into === 'pieces' && (
        <Button mt="md" size="lg" onClick={() => void navigate(`/bakes/${bake.id}/bread`)}>
          {WORK.goToBread}
        </Button>
      )}
    </Card>
  )
}

/** What was measured at the bench: the water that is due follows at once, and so does the mix. */
function Temps({ flourC, cultureC, waterC, mixC, onMeasured }: ReckonedMix & { readonly onMeasured: (measured: BenchTemps) => void }) {
  const { format } = useKitchen()
  return (
    <details className={sheet.how}>
      <summary>{WORK.measuredTemperaturesMixComesOut(format.temperature(mixC))}</summary>
      <Group grow align="flex-start">
        <QuantityField
          kind="temperature"
          label={WORK.flour}
          what={WORK.flour2}
          value={flourC}
          range={[-20, 60]}
          onCommit={(flourC) => onMeasured({ flourC })}
        />
        <QuantityField
          kind="temperature"
          label={WORK.starterOrLevain}
          what={WORK.it}
          value={cultureC}
          range={[-5, 45]}
          onCommit={(cultureC) => onMeasured({ cultureC })}
        />
        <QuantityField
          kind="temperature"
          label={WORK.waterAsPoured}
          what={WORK.water}
          value={Math.round(waterC * 10) / 10}
          range={[0, HOTTEST_WATER_C]}
          onCommit={(waterC) => onMeasured({ waterC })}
        />
      </Group>
      <ReadFrom kind="probe" onRead={(waterC) => onMeasured({ waterC: Math.min(Math.max(waterC, 0), HOTTEST_WATER_C) })} />
    </details>
  )
}

/** The levain stands: what it is, its label, and on to watching it. */
function Banded({ onUndo }: { readonly onUndo: (id: string) => void }) {
  const { bake, state } = useBakeHere()
  const navigate = useNavigate()
  return (
    <Card title={WORK.levainWeighedIn}>
      <LevainTruth />
      <LevainLabel />
      <Group mt="lg">
        {state.mixed === null && (
          <Button size="lg" onClick={() => void navigate(`/bakes/${bake.id}/watch`)}>
            {WORK.watch}
          </Button>
        )}
        {state.lastUndoable?.type === 'band' && (
          <Button size="lg" variant="default" onClick={() => onUndo(state.lastUndoable?.id ?? '')}>
            {WORK.undoMark}
          </Button>
        )}
      </Group>
    </Card>
  )
}
