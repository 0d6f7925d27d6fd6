import { Button, Group, Select, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import { Link } from 'react-router'
import type { NewBakeEvent, Place } from '../../../contract'
import { MIXED_AS, type MixedAs, pouredGrams } from '../../../core'
import { MIX_CARD } from '../../../words/screens/bake'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { Card, Note } from '../../parts/cards/Card'
import { PlaceSelect } from '../../parts/fields/PlaceSelect'
import { QuantityField } from '../../parts/fields/QuantityField'
import { WhenField } from '../../parts/fields/WhenField'
import { useBakeHere } from './bakeHere'
import { shownForecast, shownVerdict } from './shown'

/** What is noted when the levain has gone into its dough. */
export type MixedNote = Omit<Extract<NewBakeEvent, { type: 'mixed' }>, 'id' | 'happenedAt' | 'source' | 'device'>

/** How much levain went in, what is kept of it, and how warm the dough came out. */
export function MixCard({
  title,
  expectedC,
  onMixed
}: {
  readonly title: string
  readonly expectedC?: number
  readonly onMixed: (note: MixedNote, minutesAgo: number) => Promise<void>
}) {
  const { bake, state, solved, plan, judged, forecast, belief } = useBakeHere()
  const { format } = useKitchen()
  const others = plan.build.alsoFor.reduce((t, d) => t + d.grams, 0)
  const there = pouredGrams(state.poured)
  const line = plan.formula.lines.find((l) => l.kind === 'levain')?.id
  const inBowl = state.weighed.reduce((sum, w) => (w.into === 'dough' && w.lineId === line ? sum + w.grams : sum), 0)
  const wanted = inBowl > 0 ? inBowl : plan.build.source !== 'as it is' && solved?.dough.ok ? solved.dough.value.weigh.levainGrams : there
  const [levain, setLevain] = useState(Math.min(wanted, there))
  const [keep, setKeep] = useState(
    Math.max(0, Math.min(Math.round(solved?.build?.keepBackGrams ?? plan.build.keepBackGrams), there - others - Math.min(wanted, there)))
  )
  const [apart, setApart] = useState<Place | null>(null)
  const [typedC, setTypedC] = useState<number | null>(null)
  const [was, setWas] = useState<MixedAs | null>(null)
  const [ago, setAgo] = useState(0)
  const over = levain + others + keep > there + 0.05
  const asItIs = plan.build.source === 'as it is'
  // What was told of a jar that is used as it is goes into the record.
  const shownOfJar = asItIs && solved?.build != null && forecast !== undefined ? { shown: shownForecast(solved.build.timed.line, forecast, belief) } : {}
  const byScale = state.weighed.some((w) => w.into === 'dough')
  return (
    <Card title={title} data-testid="mix">
      <Group grow align="flex-end">
        <QuantityField
          kind="mass"
          label={MIX_CARD.levain}
          value={levain}
          range={[Math.max(inBowl, 1), there]}
          what={MIX_CARD.levainInDough}
          onCommit={setLevain}
        />
        {!asItIs && <QuantityField kind="mass" label={MIX_CARD.backToJar} value={keep} range={[0, there]} what={MIX_CARD.backToJar} onCommit={setKeep} />}
      </Group>
      {keep > 0 && !asItIs && (
        <PlaceSelect
          mt="sm"
          label={MIX_CARD.keepApart}
          placeholder={MIX_CARD.backToJar}
          value={apart?.id ?? null}
          onPlace={setApart}
          onClear={() => setApart(null)}
        />
      )}
      <QuantityField
        mt="sm"
        kind="temperature"
        label={MIX_CARD.doughMeasured}
        what={MIX_CARD.dough}
        value={typedC ?? expectedC ?? plan.course?.mixTempC ?? plan.mixTempC}
        range={[0, 45]}
        onCommit={setTypedC}
      />
      <Select mt="sm" label={MIX_CARD.was} placeholder={MIX_CARD.notLooked} data={MIXED_AS} value={was} onChange={setWas} clearable allowDeselect />
      <WhenField label={MIX_CARD.when} minutesAgo={ago} onChange={setAgo} />
      <Text c="dimmed" mt="xs" hidden={asItIs}>
        {MIX_CARD.wereMixed(format.mass(there))}
        {others > 0 && MIX_CARD.forWord(format.mass(others), plan.build.alsoFor.map((d) => d.name).join(' and '))}
        {MIX_CARD.restSticks}
      </Text>
      {over && <Note tone="stop">{MIX_CARD.thatMoreThanThere(format.mass(levain + others + keep - there))}</Note>}
      {keep === 0 && !asItIs && <Note tone="care">{MIX_CARD.nothingKeptBackMakeSure}</Note>}
      <Note tone="care">{MIX_CARD.rawDoughAndRawFlour}</Note>
      <Button
        size="lg"
        fullWidth
        mt="md"
        disabled={over}
        variant={byScale || judged?.told.advice.kind === 'mix now' ? 'filled' : 'default'}
        onClick={() =>
          void onMixed(
            {
              type: 'mixed',
              levainGrams: levain,
              keepBackGrams: keep,
              ...(apart === null || keep === 0
                ? {}
                : { keepAs: { jarId: newId(), name: MIX_CARD.oldLevain(format.date(nowMs() - ago * millisecondsInMinute)), placeId: apart.id } }),
              mixTempC: typedC ?? expectedC,
              ...(was === null ? {} : { was }),
              ...(judged !== undefined ? { shown: shownVerdict(judged) } : shownOfJar)
            },
            ago
          )
        }
      >
        {MIX_CARD.mixed}
      </Button>
      {!byScale && (
        <Button component={Link} to={`/bakes/${bake.id}/weigh`} variant="subtle" fullWidth mt="xs">
          {MIX_CARD.weighDoughFirst}
        </Button>
      )}
    </Card>
  )
}
