import { Button, Chip, Group, Text } from '@mantine/core'
import { useState } from 'react'
import { lastLevel, minuteOf } from '../../../../answers'
import type { NewBakeEvent } from '../../../../contract'
import { POKES, POSSIBLE, type Poke, pHAfter } from '../../../../core'
import { bulkStopSentence, near } from '../../../../words'
import { DOUGH_READ_CARD } from '../../../../words/screens/bread'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../../parts/cards/Card'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { PhField } from '../../../parts/weigh/PhField'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import sheet from '../BakeSheet.module.css'
import { useBakeHere } from '../bakeHere'
import { useDoughProgress } from '../doughHere'

const POKE_SAYS: Readonly<Record<Poke, string>> = {
  'springs back at once': DOUGH_READ_CARD.notProofedEnoughGiveWhile,
  'comes back slowly': DOUGH_READ_CARD.readyForOven,
  stays: DOUGH_READ_CARD.asFarAsGoesInto
}

/** What is noted of a dough. */
export type Reading = Omit<Extract<NewBakeEvent, { type: 'dough' }>, 'id' | 'type' | 'happenedAt' | 'source' | 'device'>

/** What is read of the dough: its temperature, its rise in the bowl or a sample jar, what a finger finds. */
export function DoughReadCard({ onRead }: { readonly onRead: (reading: Reading) => void }) {
  const { state, plan, day, now } = useBakeHere()
  const here = useKitchen()
  const { format } = here
  const [of, setOf] = useState<'bowl' | 'sample'>('bowl')
  const [rise, setRise] = useState<number | null>(null)
  const [tempC, setTempC] = useState<number | null>(null)
  const [poke, setPoke] = useState<Poke | null>(null)
  const [pH, setPh] = useState<number | null>(null)
  const minute = minuteOf(now)
  const { dough: line, belief } = day
  const stop = day.bulkStop
  const target = stop?.gas ?? null
  const stopWords = stop === null ? null : bulkStopSentence(stop, format)
  const last = lastLevel(state)
  const progress = useDoughProgress(line)
  const shaped = state.deeds.has('shape')
  const nothing = rise === null && tempC === null && poke === null && pH === null
  return (
    <Card title={DOUGH_READ_CARD.whatDoughShows}>
      {!shaped && (
        <Figures>
          {target !== null && <Figure size="lg" value={format.growth(target)} name={DOUGH_READ_CARD.wantedInBulk} />}
          {progress !== null && (
            <Figure
              size="lg"
              value={format.growth(progress.bowlRise - 1)}
              name={last?.rise === undefined ? DOUGH_READ_CARD.inBowlBySample : DOUGH_READ_CARD.inBowl}
            />
          )}
          {progress?.targetMs != null && <Figure size="lg" value={format.time(near(progress.targetMs))} name={DOUGH_READ_CARD.thereAtThisPace} />}
        </Figures>
      )}
      {!shaped && stopWords !== null && <Text mt="sm">{stopWords}</Text>}
      {!shaped && (
        <>
          <Chip.Group value={of} onChange={(v) => setOf(v === 'sample' ? 'sample' : 'bowl')}>
            <Group gap={8} mt="sm">
              <Chip value="bowl">{DOUGH_READ_CARD.readInBowl}</Chip>
              <Chip value="sample">{DOUGH_READ_CARD.inSampleJarBeside}</Chip>
            </Group>
          </Chip.Group>
          {of === 'sample' && <Text c="dimmed">{DOUGH_READ_CARD.smallJarWarmsUpSooner}</Text>}
        </>
      )}
      <Group grow mt="sm" align="flex-start">
        {!shaped && (
          <QuantityField kind="rise" label={DOUGH_READ_CARD.rise} what={DOUGH_READ_CARD.rise2} value={rise ?? 1} range={POSSIBLE.rise} onCommit={setRise} />
        )}
        <QuantityField
          kind="temperature"
          label={DOUGH_READ_CARD.doughMeasured}
          what={DOUGH_READ_CARD.dough}
          value={tempC ?? line?.mixTempC ?? plan.course?.mixTempC ?? plan.mixTempC}
          range={[0, 45]}
          onCommit={setTempC}
        />
      </Group>
      <ReadFrom kind="probe" onRead={setTempC} />
      {line !== null && <PhField value={pH} expected={pHAfter(line, minute, belief.centre)} onRead={setPh} />}
      {shaped && (
        <fieldset className={sheet.signs}>
          <legend>{DOUGH_READ_CARD.flouredFingerCentimetreDeepDent}</legend>
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
            ...(poke === null ? {} : { poke }),
            ...(pH === null ? {} : { pH })
          })
          setRise(null)
          setTempC(null)
          setPoke(null)
          setPh(null)
        }}
      >
        {DOUGH_READ_CARD.note}
      </Button>
    </Card>
  )
}
