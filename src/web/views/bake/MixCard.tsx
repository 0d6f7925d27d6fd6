import { Button, Group, Text } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { NewBakeEvent } from '../../../contract'
import { pouredGrams } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import { shownVerdict } from './shown'
import type { StationProps } from './station'

/** What is noted when the levain has gone into its dough. */
export type MixedNote = Omit<Extract<NewBakeEvent, { type: 'mixed' }>, 'id' | 'happenedAt' | 'source' | 'device'>

/** How much levain went in, what is kept of it, and how warm the dough came out. */
export function MixCard({
  bake,
  title,
  state,
  solved,
  plan,
  judged,
  expectedC,
  onMixed
}: StationProps & { readonly title: string; readonly expectedC?: number; readonly onMixed: (note: MixedNote) => Promise<void> }) {
  const { format } = useKitchen()
  const others = plan.build.alsoFor.reduce((t, d) => t + d.grams, 0)
  const there = pouredGrams(state.poured)
  const line = plan.formula.lines.find((l) => l.kind === 'levain')?.id
  const inBowl = state.weighed.reduce((sum, w) => (w.into === 'dough' && w.lineId === line ? sum + w.grams : sum), 0)
  const wanted = inBowl > 0 ? inBowl : solved?.dough.ok ? solved.dough.value.weigh.levainGrams : there
  const [levain, setLevain] = useState(Math.min(wanted, there))
  const [keep, setKeep] = useState(
    Math.max(0, Math.min(Math.round(solved?.build?.keepBackGrams ?? plan.build.keepBackGrams), there - others - Math.min(wanted, there)))
  )
  const [typedC, setTypedC] = useState<number | null>(null)
  const over = levain + others + keep > there + 0.05
  const byScale = state.weighed.some((w) => w.into === 'dough')
  return (
    <Card title={title} data-testid="mix">
      <Group grow align="flex-end">
        <QuantityField kind="mass" label="Levain" value={levain} range={[Math.max(inBowl, 1), there]} what="Levain in the dough" onCommit={setLevain} />
        <QuantityField kind="mass" label="Back to the jar" value={keep} range={[0, there]} what="Back to the jar" onCommit={setKeep} />
      </Group>
      <QuantityField
        mt="sm"
        kind="temperature"
        label="The dough, measured"
        what="The dough"
        value={typedC ?? expectedC ?? plan.course?.mixTempC ?? plan.mixTempC}
        range={[0, 45]}
        onCommit={setTypedC}
      />
      <Text c="dimmed" mt="xs">
        {format.mass(there)} were mixed{others > 0 && `, ${format.mass(others)} of it for ${plan.build.alsoFor.map((d) => d.name).join(' and ')}`}; the rest
        sticks.
      </Text>
      {over && <Note tone="stop">That is {format.mass(levain + others + keep - there)} more than there is.</Note>}
      {keep === 0 && <Note tone="care">Nothing is kept back. Make sure that the jar holds enough to go on.</Note>}
      <Note tone="care">Raw dough and raw flour are not eaten.</Note>
      <Button
        size="lg"
        fullWidth
        mt="md"
        disabled={over}
        variant={byScale || judged?.verdict.advice.kind === 'mix now' ? 'filled' : 'default'}
        onClick={() =>
          void onMixed({
            type: 'mixed',
            levainGrams: levain,
            keepBackGrams: keep,
            mixTempC: typedC ?? expectedC,
            ...(judged === undefined ? {} : { shown: shownVerdict(judged) })
          })
        }
      >
        Mixed
      </Button>
      {!byScale && (
        <Button component={Link} to={`/bakes/${bake.id}/weigh`} variant="subtle" fullWidth mt="xs">
          Weigh the dough first
        </Button>
      )}
    </Card>
  )
}
