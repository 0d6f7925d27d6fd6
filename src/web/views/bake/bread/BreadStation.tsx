import { type Happening, newEvent } from '../../../../contract'
import type { Step } from '../../../../core'
import { near, stepWord } from '../../../../words'
import { BREAD_STATION } from '../../../../words/screens/bread'
import { addEvent } from '../../../data/bakes'
import { nowMs } from '../../../data/clock'
import { useKitchen } from '../../../data/kitchen'
import { newId } from '../../../data/newId'
import { Card } from '../../../parts/cards/Card'
import { Quiet } from '../../../parts/cards/Quiet'
import { tellDone, tellError } from '../../../parts/cards/tell'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { Happened } from '../Happened'
import { DoughOutCard } from '../OutCard'
import { DoughReadCard } from './DoughReadCard'
import { NextStep } from './NextStep'
import { OutcomeCard } from './OutcomeCard'
import { OvenCard } from './OvenCard'
import { OverproofedCard } from './OverproofedCard'

/** Steps that belong to the oven; what comes before them is the dough's. */
const OVEN_STEPS: readonly Step['kind'][] = ['preheat', 'bake', 'lid', 'out', 'eat']

/** From the mixed dough to bread: folds, shaping, what is read of the dough, the oven, and how it came out. */
export function BreadStation() {
  const { bake, state, plan, day } = useBakeHere()
  const { pantry } = useKitchen()
  const { steps, left, over } = day
  if (state.mixed === null)
    return (
      <Quiet
        title={BREAD_STATION.noDoughYet}
        words={BREAD_STATION.onceDoughMixedFoldsProof}
        action={{
          label: state.band === null ? BREAD_STATION.goToWeigh : BREAD_STATION.goToWatch,
          href: `/bakes/${bake.id}/${state.band === null ? 'weigh' : 'watch'}`
        }}
      />
    )
  if (plan.course === null) return <Quiet title={BREAD_STATION.bulkProofAndBakeAre} words={BREAD_STATION.thisBakeEndsWithMix} />
  const note = (event: Happening, told: string) => {
    const id = newId()
    addEvent(bake, newEvent(event, id, nowMs()), pantry).then(
      () => tellDone(told, () => addEvent(bake, newEvent({ type: 'undo', undoes: id }, newId(), nowMs()), pantry)),
      tellError
    )
  }
  const move = (placeId: string, tempC: number) => note({ type: 'moved', placeId, tempC }, BREAD_STATION.moved)
  const next = steps[0]
  const isOut = state.deeds.has('out')
  return (
    <div className={sheet.columns}>
      <div className={sheet.stack}>
        {over !== null && <OverproofedCard over={over} />}
        {next !== undefined && <NextStep step={next} />}
        {!isOut && <OvenCard steps={steps} onCore={(coreTempC) => note({ type: 'dough', coreTempC }, 'Noted.')} />}
        {isOut && <OutcomeCard onOutcome={(outcome) => note({ type: 'outcome', ...outcome }, BREAD_STATION.notedForRecord)} />}
      </div>
      <div className={sheet.stack}>
        {!state.deeds.has('bake') && <DoughReadCard onRead={(reading) => note({ type: 'dough', ...reading }, 'Noted.')} />}
        {over === null && <DoughOutCard left={left} onMove={move} />}
        <StepsCard steps={steps.slice(1)} />
        <ReadingsCard />
        <Happened />
      </div>
    </div>
  )
}

/** What comes after the next step. */
function StepsCard({ steps }: { readonly steps: readonly Step[] }) {
  const { plan } = useBakeHere()
  const { format } = useKitchen()
  if (steps.length === 0) return null
  return (
    <Card title={BREAD_STATION.thenWord}>
      <table className={sheet.weigh}>
        <tbody>
          {steps.map((step) => (
            <tr key={step.id}>
              <th scope="row">{stepWord(step, { cold: plan.course?.proof.kind === 'cold' })}</th>
              <td>{OVEN_STEPS.includes(step.kind) || step.minutes === 0 ? '' : BREAD_STATION.min(step.minutes)}</td>
              <td className={sheet.grams}>{format.time(near(step.atMs))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  )
}

/** What was read of the dough so far. */
function ReadingsCard() {
  const { state } = useBakeHere()
  const { format } = useKitchen()
  if (state.readings.length === 0) return null
  return (
    <Card title={BREAD_STATION.readSoFar}>
      <table className={sheet.weigh}>
        <tbody>
          {[...state.readings].reverse().map((r) => (
            <tr key={r.id}>
              <th scope="row">{format.dayTime(r.atMs)}</th>
              <td>
                {[
                  r.poke,
                  r.pH === undefined ? null : BREAD_STATION.pH(r.pH),
                  r.sampleRise === undefined ? null : BREAD_STATION.sample(format.growth(r.sampleRise - 1)),
                  r.coreTempC === undefined ? null : BREAD_STATION.middle(format.temperature(r.coreTempC))
                ]
                  .filter(Boolean)
                  .join(', ')}
              </td>
              <td className={sheet.grams}>
                {[r.tempC === undefined ? null : format.temperature(r.tempC, 1), r.rise === undefined ? null : format.growth(r.rise - 1)]
                  .filter(Boolean)
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  )
}
