import { Select, Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import type { BuildPlan, SolvedLevain } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures } from '../../../parts/Card'

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
      <Card title="Which vessel">
        <Text c="dimmed">
          Add your jars and bowls in <Link to="/kitchen/vessels">Kitchen</Link> to see where to put the rubber band, and whether the peak stays below the rim.
        </Text>
      </Card>
    )
  }
  const fit = build?.fit
  return (
    <Card title="Which vessel">
      <Select
        aria-label="Vessel"
        disabled={frozen}
        data={[
          { value: NONE, label: 'Not said' },
          ...vessels.map((v) => ({ value: v.id, label: `${v.name}, ${v.capacityMl} ml, empty ${format.mass(v.tareGrams)}` }))
        ]}
        value={vessels.some((v) => v.id === wish.vesselId) ? wish.vesselId : NONE}
        onChange={(v) => onVessel(v === null || v === NONE ? null : v)}
      />
      {fit != null && (
        <div style={{ marginTop: 12 }}>
          <Figures>
            <Figure value={`${Math.round(fit.bandMm)} mm`} name="the band" />
            <Figure value={`${Math.round(fit.peakMm)} mm`} name="expected peak" />
            <Figure value={format.percent(fit.full, 0)} name="of its height" />
          </Figures>
        </div>
      )}
      {children}
    </Card>
  )
}
