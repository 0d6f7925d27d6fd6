import { Button, Group, Switch, Text } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { type MouseEvent, type ReactNode, useEffect, useRef } from 'react'
import { POSSIBLE, type Repair, toleranceOf } from '../../../core'
import { WEIGH } from '../../../words/screens/parts-weigh'
import { useChosenDevice } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { Card, Mass, Note } from '../cards/Card'
import large from '../cards/Large.module.css'
import { QuantityField } from '../fields/QuantityField'
import { densityOf, dueItemOf, type Entry } from './entry'
import { MisPour } from './MisPour'
import { ScaleBar } from './ScaleBar'
import { useAloud, useAwake, useSpoken } from './useAloud'
import { useBench } from './useBench'
import classes from './Weigh.module.css'

/** Less than this is no other target, g. */
const LEAST_GRAMS = 0.05
/** How a pour came to be known. */
export type PourSource = { readonly source: 'typed' } | { readonly source: 'device'; readonly device: string }

/** One item at a time: the figure, how it goes in, and what the scale says. */
export function Weigh({
  entries,
  mode,
  range = [0.1, POSSIBLE.grams[1]],
  onPour,
  onTargets,
  aside,
  cannotBe,
  children
}: {
  readonly entries: readonly Entry[]
  /** All into one bowl, or one piece after the other on the bare scale. */
  readonly mode: 'bowl' | 'pieces'
  readonly range?: readonly [number, number]
  readonly onPour: (entry: Entry, grams: number, source: PourSource) => void
  /** What items are to hold from now on. */
  readonly onTargets: (targets: Readonly<Record<string, number>>) => void
  /** Beside how the item goes in: how warm the water has to be. */
  readonly aside?: (entry: Entry) => ReactNode
  /** Why so much cannot have been poured; null: it can. */
  readonly cannotBe?: (entry: Entry, grams: number) => string | null
  readonly children?: (entry: Entry, grams: number) => ReactNode
}) {
  const { kitchen, format, pantry } = useKitchen()
  const { device, all, choose } = useChosenDevice('scale')
  const aloud = useAloud()
  useAwake()
  const card = useRef<HTMLDivElement>(null)
  // From two metres the figure is what counts: it comes up to where it is seen.
  useEffect(() => {
    // In braces: newer browsers answer with a promise, which is no way to clean up.
    card.current?.scrollIntoView({ block: 'start' })
  }, [])
  const entry = entries.find((e) => e.due)
  const item = entry === undefined ? null : dueItemOf(entry, entries, device?.resolution ?? 0)
  const bench = useBench(mode, device, item, ({ key, grams, by }) => {
    const of = entries.find((e) => e.key === key)
    if (of !== undefined) onPour(of, grams, by === 'scale' && device !== null ? { source: 'device', device: device.name } : { source: 'typed' })
  })
  const { live, still, typed, proposed, slip, happens } = bench
  useSpoken(entry === undefined || item === null ? null : `${entry.title}, ${format.mass(item.grams)}`, aloud.on)
  const advance = () => {
    if (entry !== undefined) happens({ type: 'pressed', cannotBe: (grams) => (cannotBe?.(entry, grams) ?? null) !== null })
  }
  useHotkeys(kitchen.keys && entry !== undefined ? [['space', advance]] : [])
  if (entry === undefined || item === null) return null

  const due = item.grams
  const impossible = cannotBe?.(entry, slip?.grams ?? proposed) ?? null
  const onTap = (event: MouseEvent) => {
    const target = event.target as HTMLElement
    if (target.closest('button, input, a, label, details, [role="note"], [data-testid="mis-pour"], [role="listbox"]') === null && slip === null) advance()
  }
  const tolerance = toleranceOf(item)
  const right = live !== null && Math.abs(live - due) <= tolerance
  const over = live !== null && live > due + tolerance
  const share = (grams: number) => `${Math.max(0, Math.min(100, (grams / (due + 4 * tolerance)) * 100))}%`
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a tap anywhere outside the controls goes on; the same is on space and on the button
    // biome-ignore lint/a11y/useKeyWithClickEvents: space does the same, anywhere on the page
    <div ref={card} className={classes.weighing} onClick={onTap}>
      <Card data-testid="pour">
        <div
          className={classes.progress}
          style={{ gridTemplateColumns: `repeat(${entries.length}, 1fr)` }}
          role="img"
          aria-label={WEIGH.poured(entries.filter((e) => !e.due).length, entries.length)}
        >
          {entries.map((e) => (
            <span key={e.key} data-done={!e.due} data-current={e === entry} />
          ))}
        </div>
        <h2 className={large.item}>{entry.poured > 0 ? WEIGH.littleMore(entry.title) : entry.title}</h2>
        <Text c="dimmed">
          {aside?.(entry)}
          {entry.how}
        </Text>
        {live === null || bench.waitsForBowl ? (
          <p className={large.huge}>
            <Mass grams={due} />
          </p>
        ) : (
          <>
            <p className={large.huge} aria-live="off">
              <span className={classes.live} data-right={right} data-over={over}>
                <Mass grams={Math.abs(live) < entry.resolution ? 0 : live} />
              </span>
              <span className={classes.of}>{WEIGH.of(format.mass(due, entry.resolution))}</span>
            </p>
            <div className={classes.bar} aria-hidden="true">
              <div className={classes.fill} data-right={right} data-over={over} style={{ width: share(live) }} />
              <div className={classes.mark} style={{ left: share(due - tolerance), width: `calc(${share(due + tolerance)} - ${share(due - tolerance)})` }} />
            </div>
          </>
        )}
        <p role="status" className={large.unseen}>
          {right && still !== null ? WEIGH.right : ''}
        </p>
        {bench.waitsForBowl && <Note>{WEIGH.putBowlOnScaleWhat}</Note>}
        {device !== null && bench.silent && <Note tone="care">{WEIGH.silentWakeOrLookAt(device.name)}</Note>}
        {bench.bowlAway && mode === 'bowl' && !bench.waitsForBowl && <Note tone="care">{WEIGH.bowlOffScaleOrWas}</Note>}
        <QuantityField
          key={item.stamp}
          kind="mass"
          label={WEIGH.whatScaleShows}
          what={WEIGH.whatWasWeighed}
          value={typed ?? (still === null ? due : Math.max(Math.round(still / entry.resolution) * entry.resolution, 0))}
          range={range}
          density={densityOf(entry, pantry)}
          onCommit={(grams) => happens({ type: 'typed', grams })}
          size="lg"
          onKeyDown={(e) => e.key === 'Enter' && advance()}
        />
        {children?.(entry, proposed)}
        {impossible !== null && <Note tone="stop">{impossible}</Note>}
        {impossible === null && slip !== null && slip.reading.kind !== 'right' && slip.reading.kind !== 'nothing' && (
          <MisPour
            reading={slip.reading}
            grams={slip.grams}
            entry={entry}
            entries={entries}
            mendable={mode === 'bowl'}
            answers={{
              onRepair: (repair: Repair) => {
                happens({ type: 'taken', grams: slip.grams })
                // Only what is still to be done: what is in already, and stays so, is no target.
                const targets = Object.fromEntries(
                  entries.flatMap((e) => {
                    const target = repair.targets[e.key] ?? e.grams
                    const open = e.key === entry.key || e.poured > 0 ? repair.added[e.key] !== undefined : Math.abs(target - e.grams) >= LEAST_GRAMS
                    return open ? [[e.key, target]] : []
                  })
                )
                if (Object.keys(targets).length > 0) onTargets(targets)
              },
              onRest: () => {
                happens({ type: 'taken', grams: slip.grams })
                onTargets({ [entry.key]: entry.grams })
              },
              onOther: (key) => {
                const other = entries.find((e) => e.key === key)
                if (other !== undefined) happens({ type: 'taken', grams: slip.grams, as: other })
              },
              onTared: (grams) => happens({ type: 'not tared', grams }),
              onDismiss: () => happens({ type: 'dismissed' })
            }}
          />
        )}
        {slip === null && (
          <Button size="xl" fullWidth mt="lg" onClick={advance} disabled={impossible !== null}>
            {bench.waitsForBowl ? WEIGH.bowlOn : WEIGH.poured2}
            {kitchen.keys && <span className={large.keyHint}>{WEIGH.space}</span>}
          </Button>
        )}
        <Group mt="md" justify="space-between" align="flex-end">
          <ScaleBar device={device} all={all} onChoose={choose} due={due} battery={bench.battery} shown={bench.shown} />
          {aloud.can && <Switch label={WEIGH.spokenAloud} checked={aloud.on} onChange={(e) => aloud.set(e.currentTarget.checked)} />}
        </Group>
      </Card>
    </div>
  )
}
