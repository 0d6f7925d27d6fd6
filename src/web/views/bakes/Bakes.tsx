import { Button, Group, Skeleton, Text } from '@mantine/core'
import { IconPlus, IconPrinter } from '@tabler/icons-react'
import { millisecondsInHour } from 'date-fns/constants'
import { useMemo } from 'react'
import { Link } from 'react-router'
import type { Bake } from '../../../answers'
import { near, sizeWords } from '../../../words'
import { BAKES } from '../../../words/screens/bakes'
import { useDoneBakes, useOpenBakes } from '../../data/bakes'
import { useNow } from '../../data/clock'
import { useDays } from '../../data/days'
import { useKitchen } from '../../data/kitchen'
import { Quiet } from '../../parts/cards/Quiet'
import { useNewBake } from '../../parts/useNewBake'
import classes from './Bakes.module.css'

const STATUS_WORDS = { planned: 'planned', building: BAKES.beingWeighed, ripening: BAKES.levainOnWay, mixed: BAKES.doughOnWay, baked: 'baked' } as const

/** All bakes: on the way first, then what is in the record. */
export function Bakes() {
  const open = useOpenBakes()
  const mixed = useDoneBakes()
  const newBake = useNewBake()
  const { days, error } = useDays(useNow())
  const mixes = useMemo(() => new Map((days ?? []).map(({ bake, mixMs }) => [bake.id, near(mixMs)])), [days])
  const loaded = open.bakes !== undefined && mixed.bakes !== undefined
  const failure = open.error ?? mixed.error
  if (!loaded && failure !== undefined) return <Quiet title={BAKES.bakesCouldNotBeOpened} words={failure.message} />
  // All at once, with the hours as they are: a row that still moves away is not shown to be tapped.
  if (!loaded || (days === undefined && error === undefined))
    return (
      <div className={classes.page}>
        <h1 className={classes.title}>{BAKES.bakes}</h1>
        <Skeleton height={220} mt="md" />
      </div>
    )
  return (
    <div className={classes.page}>
      <Group justify="space-between" mb="md">
        <h1 className={classes.title}>{BAKES.bakes}</h1>
        <Group gap="xs">
          {open.bakes !== undefined && open.bakes.length > 0 && (
            <Button component={Link} to="/bakes/day" variant="subtle" leftSection={<IconPrinter size={18} />}>
              {BAKES.orderOfDay}
            </Button>
          )}
          {newBake.ready && (
            <Button leftSection={<IconPlus size={20} />} onClick={() => newBake.start()}>
              {BAKES.newBake}
            </Button>
          )}
        </Group>
      </Group>
      {open.bakes?.length === 0 && mixed.bakes?.length === 0 && (
        <Quiet
          title={BAKES.noBakesYet}
          words={BAKES.sayWhatYouWantTo}
          action={newBake.ready ? { label: BAKES.newBake, onClick: () => newBake.start() } : undefined}
        />
      )}
      {open.bakes !== undefined && open.bakes.length > 0 && <List title={BAKES.onWay} bakes={open.bakes} mixes={mixes} />}
      {mixed.bakes !== undefined && mixed.bakes.length > 0 && (
        <>
          <List title={BAKES.inRecord} bakes={mixed.bakes} />
          {mixed.bakes.length < mixed.total && (
            <Group justify="center" mt="md">
              <Text c="dimmed">{BAKES.of(mixed.bakes.length, mixed.total)}</Text>
              <Button variant="default" loading={mixed.busy} onClick={() => void mixed.more()}>
                {BAKES.showMore}
              </Button>
            </Group>
          )}
        </>
      )}
    </div>
  )
}

function List({ title, bakes, mixes }: { title: string; bakes: readonly Bake[]; mixes?: ReadonlyMap<string, number> }) {
  return (
    <section className={classes.list} aria-label={title}>
      <h2 className={classes.heading}>{title}</h2>
      {bakes.map((bake) => (
        <Row key={bake.id} bake={bake} mixMs={mixes?.get(bake.id)} />
      ))}
    </section>
  )
}

/** @param mixMs when it will be mixed as things stand */
function Row({ bake, mixMs }: { bake: Bake; mixMs: number | undefined }) {
  const { format } = useKitchen()
  const { mixed, band, marks } = bake.state
  const highest = Math.max(0, ...marks.map((m) => m.rise ?? 0))
  // Of starter that was used as it is, the jar rose since its feed.
  const roseMs = (bake.plan.build.source === 'as it is' ? bake.line?.parents[0]?.line?.startedAtMs : undefined) ?? band?.atMs
  const when = mixed?.atMs ?? mixMs ?? bake.plan.mixAt
  return (
    <Link to={`/bakes/${bake.id}`} className={classes.row}>
      <span className={classes.when}>
        {format.date(when)} {format.time(when)}
      </span>
      <span className={classes.name}>{bake.plan.name}</span>
      <span className={classes.detail}>{sizeWords(bake.plan.target, format)}</span>
      <span className={classes.detail}>
        {bake.status === 'baked' && mixed !== null && roseMs !== undefined
          ? BAKES.toMix(format.duration((mixed.atMs - roseMs) / millisecondsInHour), highest > 0 ? ` · ${format.rise(highest)}` : '')
          : STATUS_WORDS[bake.status]}
      </span>
    </Link>
  )
}
