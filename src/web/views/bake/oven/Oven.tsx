import { Button, Chip, FileButton, Group, SegmentedControl, Stack, Text, Textarea } from '@mantine/core'
import { useMemo, useState } from 'react'
import { doughOf, lineFromWire, type NewBakeEvent, ROUTES, stepCaution, stepWord } from '../../../../contract'
import { coreSays, doughProgress, OVEN, POKES, POSSIBLE, type Poke, type Step, stepsOf } from '../../../../core'
import { addEvent } from '../../../data/bakes'
import { nowMs } from '../../../data/clock'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { keepPicture } from '../../../data/pictures'
import { Card, Figure, Figures, Note } from '../../../parts/Card'
import large from '../../../parts/Large.module.css'
import { QuantityField } from '../../../parts/QuantityField'
import { Quiet } from '../../../parts/Quiet'
import { MarkStep } from '../../../parts/steps/MarkStep'
import { tellDone, tellError } from '../../../parts/tell'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import { fromNow, near } from '../../../parts/words'
import sheet from '../BakeSheet.module.css'
import type { StationProps } from '../station'

/** Steps that belong to the oven; what comes before them is the dough's. */
const OVEN_STEPS: readonly Step['kind'][] = ['preheat', 'bake', 'lid', 'out', 'eat']

const POKE_SAYS: Readonly<Record<Poke, string>> = {
  'springs back at once': 'Not proofed enough: give it a while.',
  'comes back slowly': 'Ready for the oven.',
  stays: 'As far as it goes: into the oven now.'
}

/** From the mixed dough to bread: folds, shaping, what is read of the dough, the oven, and how it came out. */
export function Oven(props: StationProps) {
  const { bake, state, plan, facts, now } = props
  const { pantry } = useKitchen()
  const steps = useMemo(() => stepsOf(facts, now), [facts, now])
  if (state.mixed === null)
    return (
      <Quiet
        title="No dough yet"
        words="Once the dough is mixed, its folds, its proof and the oven are told here."
        action={{ label: state.band === null ? 'Go to the bench' : 'Watch the levain', href: `/bakes/${bake.id}/${state.band === null ? 'bench' : 'watch'}` }}
      />
    )
  if (plan.course === null)
    return <Quiet title="The dough’s day is not planned" words="This bake ends with the mix. Plan the dough’s day in the Clock of the next one." />
  const note = (event: Record<string, unknown> & { type: NewBakeEvent['type'] }, told: string) => {
    const id = newId()
    const of = (more: Record<string, unknown>) => ({ happenedAt: new Date(nowMs()).toISOString(), ...more }) as NewBakeEvent
    addEvent(bake, of({ id, ...event }), pantry).then(
      () => tellDone(told, () => addEvent(bake, of({ id: newId(), type: 'undo', undoes: id }), pantry)),
      tellError
    )
  }
  const next = steps[0]
  const isOut = state.deeds.has('out')
  return (
    <div className={sheet.columns}>
      <div className={sheet.stack}>
        {next !== undefined && <NextStep {...props} step={next} />}
        {!isOut && <OvenCard {...props} steps={steps} onCore={(coreTempC) => note({ type: 'dough', coreTempC }, 'Noted.')} />}
        {isOut && <OutcomeCard {...props} onOutcome={(outcome) => note({ type: 'outcome', ...outcome }, 'Noted for the record.')} />}
      </div>
      <div className={sheet.stack}>
        {!state.deeds.has('bake') && <DoughReadCard {...props} onRead={(reading) => note({ type: 'dough', ...reading }, 'Noted.')} />}
        <StepsCard {...props} steps={steps.slice(1)} />
        <ReadingsCard {...props} />
      </div>
    </div>
  )
}

/** What is to be done next, large, with its time and its caution. */
function NextStep({ bake, step, now, plan }: StationProps & { readonly step: Step }) {
  const { format } = useKitchen()
  const caution = stepCaution(step)
  return (
    <Card data-testid="next-step">
      <Text c="dimmed">{step.atMs <= now ? 'Now' : fromNow(step.atMs, now, format)}</Text>
      <h2 className={large.item}>{stepWord(step, { cold: plan.course?.proof.kind === 'cold' })}</h2>
      <p className={large.huge}>{format.time(near(step.atMs))}</p>
      {caution !== null && <Note tone="care">{caution}</Note>}
      <Group mt="md">
        <MarkStep bake={bake} step={step} now={now} size="xl" />
      </Group>
    </Card>
  )
}

/** Heat, steam, lid, middle: what this kind of bread wants. */
function OvenCard({ plan, state, steps, onCore }: StationProps & { readonly steps: readonly Step[]; readonly onCore: (tempC: number) => void }) {
  const { format } = useKitchen()
  const oven = OVEN[plan.formula.doughKind]
  const [coreC, setCoreC] = useState<number | null>(null)
  const course = plan.course
  if (course === null) return null
  const measured = state.readings.findLast((r) => r.coreTempC !== undefined)?.coreTempC
  const says = measured === undefined ? null : coreSays(oven.coreC, measured)
  const bakeAt = steps.find((s) => s.kind === 'bake')?.atMs
  return (
    <Card title="The oven">
      <Figures>
        <Figure size="lg" value={format.temperature(oven.startC)} name="heat it to" />
        {oven.laterC !== null && <Figure size="lg" value={format.temperature(oven.laterC)} name={`after ${oven.laterMinutes} min`} />}
        <Figure size="lg" value={`${course.bakeMinutes} min`} name={course.loads > 1 ? `each of ${course.loads} loads` : 'in the oven'} />
        {oven.coreC !== null && (
          <Figure
            size="lg"
            value={`${format.temperature(oven.coreC[0], 0).replace(/\D+$/, '')}–${format.temperature(oven.coreC[1], 0)}`}
            name="in the middle, done"
          />
        )}
      </Figures>
      {bakeAt !== undefined && (
        <Text c="dimmed" mt="xs">
          Heat it {course.preheatMinutes} min before, from {format.time(near(bakeAt - course.preheatMinutes * 60_000))}.
          {oven.steam ? ' Steam or a lid for the first part, then let the steam out.' : ' No steam.'}
        </Text>
      )}
      {oven.steam && <Note tone="care">Heat gloves, and face away when the steam comes out. Put the cap back on the blade.</Note>}
      {state.deeds.has('bake') && oven.coreC !== null && (
        <>
          <Group mt="md" align="flex-end">
            <QuantityField
              kind="temperature"
              label="Measured in the middle"
              what="The middle"
              value={coreC ?? measured ?? oven.coreC[0]}
              range={[0, 130]}
              onCommit={setCoreC}
            />
            <Button variant="default" onClick={() => onCore(coreC ?? oven.coreC?.[0] ?? 96)}>
              Note it
            </Button>
          </Group>
          <ReadFrom kind="probe" onRead={setCoreC} />
          {says !== null && (
            <Note tone={says === 'done' ? 'plain' : 'care'}>
              {says === 'not yet' && 'Not yet: back into the oven, and measure again in five minutes.'}
              {says === 'done' && 'Done. Take it out.'}
              {says === 'dry soon' && 'More than done: take it out now, before it dries.'}
            </Note>
          )}
        </>
      )}
      {state.deeds.has('bake') && (
        <Text mt="xs">
          Knock on the underside: a hollow sound is a baked loaf, a dull one wants a few minutes more. Then let it cool {format.duration(course.coolHours)}{' '}
          before it is cut.
        </Text>
      )}
    </Card>
  )
}

type Reading = Omit<Extract<NewBakeEvent, { type: 'dough' }>, 'id' | 'type' | 'happenedAt' | 'source' | 'device'>

/** What is read of the dough: its temperature, its rise in the bowl or a sample jar, what a finger finds. */
function DoughReadCard({ bake, state, plan, solved, belief, now, onRead }: StationProps & { readonly onRead: (reading: Reading) => void }) {
  const here = useKitchen()
  const { format } = here
  const [of, setOf] = useState<'bowl' | 'sample'>('bowl')
  const [rise, setRise] = useState<number | null>(null)
  const [tempC, setTempC] = useState<number | null>(null)
  const [poke, setPoke] = useState<Poke | null>(null)
  const mixMs = state.mixed?.atMs ?? now
  const line = useMemo(
    () => doughOf(bake, plan, solved, here, mixMs, bake.line === null ? undefined : lineFromWire(bake.line)),
    [bake, plan, solved, here, mixMs]
  )
  const target = plan.course?.bulkGas ?? 0.5
  const last = state.readings.findLast((r) => r.rise !== undefined || r.sampleRise !== undefined)
  const progress = useMemo(() => {
    if (line === null || last === undefined) return null
    const read = last.rise !== undefined ? ({ rise: last.rise, of: 'bowl' } as const) : ({ rise: last.sampleRise ?? 1, of: 'sample' } as const)
    return doughProgress(line, { ...read, atMs: last.atMs }, target, belief.centre)
  }, [line, last, target, belief])
  const shaped = state.deeds.has('shape')
  const nothing = rise === null && tempC === null && poke === null
  return (
    <Card title="What the dough shows">
      {!shaped && (
        <Figures>
          <Figure size="lg" value={format.rise(1 + target)} name="wanted in bulk" />
          {progress !== null && (
            <Figure size="lg" value={format.rise(progress.bowlRise)} name={last?.rise === undefined ? 'in the bowl, by the sample' : 'in the bowl'} />
          )}
          {progress?.targetMs != null && <Figure size="lg" value={format.time(near(progress.targetMs))} name="there at this pace" />}
        </Figures>
      )}
      {!shaped && (
        <>
          <Chip.Group value={of} onChange={(v) => setOf(v === 'sample' ? 'sample' : 'bowl')}>
            <Group gap={8} mt="sm">
              <Chip value="bowl">read in the bowl</Chip>
              <Chip value="sample">in a sample jar beside it</Chip>
            </Group>
          </Chip.Group>
          {of === 'sample' && <Text c="dimmed">A little jar warms sooner than the bowl and is ahead of it: that is reckoned with.</Text>}
        </>
      )}
      <Group grow mt="sm" align="flex-start">
        {!shaped && <QuantityField kind="rise" label="Rise" what="The rise" value={rise ?? 1} range={POSSIBLE.rise} onCommit={setRise} />}
        <QuantityField
          kind="temperature"
          label="Dough, measured"
          what="The dough"
          value={tempC ?? plan.course?.mixTempC ?? 24}
          range={[0, 45]}
          onCommit={setTempC}
        />
      </Group>
      <ReadFrom kind="probe" onRead={setTempC} />
      {shaped && (
        <fieldset className={sheet.signs}>
          <legend>A floured finger, a centimetre deep: the dent</legend>
          <Group gap={8}>
            {POKES.map((p) => (
              <Chip key={p} checked={poke === p} onChange={(on) => setPoke(on ? p : null)}>
                {p}
              </Chip>
            ))}
          </Group>
        </fieldset>
      )}
      {poke !== null && <Note>{POKE_SAYS[poke]}</Note>}
      <Button
        fullWidth
        size="lg"
        mt="md"
        variant="light"
        disabled={nothing}
        onClick={() => {
          onRead({
            ...(rise === null ? {} : of === 'bowl' ? { rise } : { sampleRise: rise }),
            ...(tempC === null ? {} : { tempC }),
            ...(poke === null ? {} : { poke })
          })
          setRise(null)
          setTempC(null)
          setPoke(null)
        }}
      >
        Note it
      </Button>
    </Card>
  )
}

/** What comes after the next step. */
function StepsCard({ steps, plan }: StationProps & { readonly steps: readonly Step[] }) {
  const { format } = useKitchen()
  if (steps.length === 0) return null
  return (
    <Card title="Then">
      <table className={sheet.weigh}>
        <tbody>
          {steps.map((step) => (
            <tr key={step.id}>
              <th scope="row">{stepWord(step, { cold: plan.course?.proof.kind === 'cold' })}</th>
              <td>{OVEN_STEPS.includes(step.kind) || step.minutes === 0 ? '' : `${step.minutes} min`}</td>
              <td className={sheet.grams}>{format.time(near(step.atMs))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  )
}

/** What was read of the dough so far. */
function ReadingsCard({ state }: StationProps) {
  const { format } = useKitchen()
  if (state.readings.length === 0) return null
  return (
    <Card title="Read so far">
      <table className={sheet.weigh}>
        <tbody>
          {[...state.readings].reverse().map((r) => (
            <tr key={r.id}>
              <th scope="row">{format.dayTime(r.atMs)}</th>
              <td>
                {[
                  r.poke,
                  r.sampleRise === undefined ? null : `sample ${format.rise(r.sampleRise)}`,
                  r.coreTempC === undefined ? null : `middle ${format.temperature(r.coreTempC)}`
                ]
                  .filter(Boolean)
                  .join(', ')}
              </td>
              <td className={sheet.grams}>
                {[r.tempC === undefined ? null : format.temperature(r.tempC, 1), r.rise === undefined ? null : format.rise(r.rise)].filter(Boolean).join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  )
}

type OutcomeNote = Omit<Extract<NewBakeEvent, { type: 'outcome' }>, 'id' | 'type' | 'happenedAt' | 'source' | 'device'>
const MARKS = [
  { key: 'rise', label: 'Rise' },
  { key: 'crumb', label: 'Crumb' },
  { key: 'taste', label: 'Taste' }
] as const

/** How it came out: for the record, and for the next time. */
function OutcomeCard({ state, onOutcome }: StationProps & { readonly onOutcome: (outcome: OutcomeNote) => void }) {
  const [marks, setMarks] = useState<Partial<Record<'rise' | 'crumb' | 'taste', number>>>({})
  const [words, setWords] = useState('')
  const [taken, setTaken] = useState<string | null>(null)
  const { outcome } = state
  const picture = taken ?? outcome?.picture
  return (
    <Card title={outcome === null ? 'How did it come out?' : 'How it came out'}>
      <Stack gap="sm">
        {MARKS.map(({ key, label }) => (
          <Group key={key} justify="space-between">
            <span>{label}</span>
            <SegmentedControl
              size="md"
              aria-label={label}
              data={['1', '2', '3', '4', '5']}
              value={String(marks[key] ?? outcome?.[key] ?? '')}
              onChange={(value) => setMarks({ ...marks, [key]: Number(value) })}
            />
          </Group>
        ))}
        <Textarea
          label="In words"
          rows={3}
          maxLength={1000}
          value={words === '' ? (outcome?.note ?? '') : words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        {picture !== undefined && <img className={sheet.picture} src={ROUTES.picture(picture)} alt="The bread" />}
        <FileButton accept="image/*" onChange={(file) => file !== null && void keepPicture(file).then(setTaken, tellError)}>
          {(button) => (
            <Button {...button} variant="default">
              {picture === undefined ? 'A picture of it' : 'Another picture'}
            </Button>
          )}
        </FileButton>
        <Button
          size="lg"
          disabled={Object.keys(marks).length === 0 && words.trim() === '' && taken === null}
          onClick={() =>
            onOutcome({
              ...outcomeOf(outcome),
              ...marks,
              ...(words.trim() === '' ? {} : { note: words.trim() }),
              ...(taken === null ? {} : { picture: taken })
            })
          }
        >
          Into the record
        </Button>
      </Stack>
      <Note tone="care">Food given away or sold: local food law applies.</Note>
    </Card>
  )
}

/** What was noted before stays where nothing new is said. */
function outcomeOf(outcome: StationProps['state']['outcome']): OutcomeNote {
  if (outcome === null) return {}
  const { rise, crumb, taste, note, picture } = outcome
  return { rise, crumb, taste, note, picture }
}
