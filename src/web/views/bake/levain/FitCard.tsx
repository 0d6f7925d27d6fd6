import { Select, Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import type { BuildPlan, SolvedLevain } from '../../../../core'
import { FIT_CARD } from '../../../../words/screens/levain'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures } from '../../../parts/cards/Card'

const NONE = 'none'

/** Where it ripens: level after mixing, and how high it will stand. */
export function FitCard({
  wish,
  build,
  frozen,
  onVessel,
  children
}: {
  readonly wish: BuildPlan
  readonly build: SolvedLevain | null
  readonly frozen: boolean
  readonly onVessel: (id: string | null) => void
  readonly children: ReactNode
}) {
  const { format, vessels } = useKitchen()
  if (vessels.length === 0) {
    return (
      <Card title={FIT_CARD.whichVessel}>
        <Text c="dimmed">
          {FIT_CARD.addYourJarsAndBowls}
          <Link to="/kitchen/vessels">{FIT_CARD.kitchen}</Link>
          {FIT_CARD.toSeeWhereToPut}
        </Text>
      </Card>
    )
  }
  const fit = build?.fit
  return (
    <Card title={FIT_CARD.whichVessel}>
      <Select
        aria-label={FIT_CARD.vessel}
        disabled={frozen}
        data={[
          { value: NONE, label: FIT_CARD.notSaid },
          ...vessels.map((v) => ({ value: v.id, label: FIT_CARD.mlEmpty(v.name, v.capacityMl, format.mass(v.tareGrams)) }))
        ]}
        value={vessels.some((v) => v.id === wish.vesselId) ? wish.vesselId : NONE}
        onChange={(v) => onVessel(v === null || v === NONE ? null : v)}
      />
      {fit != null && (
        <div style={{ marginTop: 12 }}>
          <Figures>
            <Figure value={FIT_CARD.mm(Math.round(fit.bandMm))} name={FIT_CARD.band} />
            <Figure value={FIT_CARD.mm2(Math.round(fit.peakMm))} name={FIT_CARD.expectedPeak} />
            <Figure value={format.percent(fit.full, 0)} name={FIT_CARD.height} />
          </Figures>
        </div>
      )}
      {children}
    </Card>
  )
}
