import { Chip, Group, Skeleton, Text } from '@mantine/core'
import { useState } from 'react'
import type { SourAsked } from '../../../core'
import { besideLast, effectWords, leverWords, pHWords, ttaWords, type UsualSour } from '../../../words'
import { SOUR_CARD } from '../../../words/screens/parts-sour'
import { useSourLevers } from '../../data/compare'
import { useKitchen } from '../../data/kitchen'
import { Card } from '../cards/Card'
import classes from '../cards/Ways.module.css'

export type SourWay = 'tangier' | 'milder'

/** How sour it comes out, and what makes it tangier or milder here. */
export function SourCard({ asked, usual = null }: { readonly asked: SourAsked | null; readonly usual?: UsualSour | null }) {
  const [way, setWay] = useState<SourWay>('tangier')
  if (asked === null) return null
  return (
    <Card title={SOUR_CARD.howSour} data-testid="sour">
      <Chip.Group value={way} onChange={(v) => setWay(v === 'milder' ? 'milder' : 'tangier')}>
        <Group gap={8} mb="sm">
          <Chip value="tangier">{SOUR_CARD.tangier}</Chip>
          <Chip value="milder">{SOUR_CARD.milder}</Chip>
        </Group>
      </Chip.Group>
      <SourLevers asked={asked} way={way} usual={usual} />
    </Card>
  )
}

/** What is turned for it, and what comes of each, the strongest first. */
export function SourLevers({ asked, way, usual = null }: { readonly asked: SourAsked; readonly way: SourWay; readonly usual?: UsualSour | null }) {
  const { format } = useKitchen()
  const told = useSourLevers(asked)
  if (told === undefined) return <Skeleton height={160} />
  if (told === null) return null
  const levers = told.levers.filter(({ change }) => (way === 'tangier' ? change > 0 : change < 0))
  const { pH, tta } = told.as
  return (
    <>
      <Text c="dimmed">
        {(asked.dough === null ? SOUR_CARD.levain : SOUR_CARD.loaf)(pHWords(pH), ttaWords(tta))}
        {usual !== null && SOUR_CARD.thatIs(besideLast(tta, usual))}
      </Text>
      {levers.length === 0 && <Text mt="sm">{SOUR_CARD.nothing}</Text>}
      <ul className={classes.ways}>
        {levers.map((effect) => (
          <li key={effect.lever}>
            <b>{leverWords(effect.lever, format)}</b>
            <span>{effectWords(effect)}</span>
          </li>
        ))}
      </ul>
      <Text c="dimmed" size="sm" mt="sm">
        {SOUR_CARD.meterKnows}
      </Text>
    </>
  )
}
