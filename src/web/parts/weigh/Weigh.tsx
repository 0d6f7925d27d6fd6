import { Button, Group, Switch, Text } from '@mantine/core'
import { useHotkeys } from '@mantine/hooks'
import { type MouseEvent, type ReactNode, useEffect, useRef, useState } from 'react'
import { POSSIBLE, type PourReading, pouredNow, pouredStill, type Repair, readPour, toleranceOf } from '../../../core'
import { WEIGH } from '../../../words/screens/parts-weigh'
import { useChosenDevice } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { Card, Mass, Note } from '../cards/Card'
import large from '../cards/Large.module.css'
import { QuantityField } from '../fields/QuantityField'
import type { Entry } from './entry'
import { keepBase, keptBase } from './keptBase'
import { MisPour } from './MisPour'
import { ScaleBar } from './ScaleBar'
import { useAloud, useAwake, useSpoken } from './useAloud'
import { useScale } from './useScale'
import classes from './Weigh.module.css'

/** Less than this is no other target, g. */
const LEAST_GRAMS = 0.05
/** Less than this on the scale is no bowl, g. */
const BOWL_GRAMS = 20

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
  const { kitchen, format } = useKitchen()
  const { device, all, choose } = useChosenDevice('scale')
  const aloud = useAloud()
  useAwake()
  const entry = entries.find((e) => e.due)
  const stamp = entry === undefined ? '' : `${entry.key} ${entry.poured}`
  const [restored] = useState(() => keptBase(stamp))
  const scale = useScale(device, restored)
  const due = entry === undefined ? 0 : entry.poured > 0 ? Math.max(entry.grams - entry.poured, 0) : entry.grams
  const inBowl = entries.reduce((sum, e) => sum + e.poured, 0)
  const [typed, setTyped] = useState<number | null>(null)
  const [slip, setSlip] = useState<{ readonly key: string; readonly grams: number; readonly reading: PourReading } | null>(null)
  const [bowlOn, setBowlOn] = useState(mode === 'pieces' || inBowl > 0 || restored !== null)
  const taken = useRef<string | null>(null)
  const card = useRef<HTMLDivElement>(null)
  // From two metres the figure is what counts: it comes up to where it is seen.
  useEffect(() => {
    // In braces: newer browsers answer with a promise, which is no way to clean up.
    card.current?.scrollIntoView({ block: 'start' })
  }, [])
  const { base } = scale.state
  useEffect(() => {
    if (base !== null && bowlOn) keepBase(stamp, base)
  }, [base, stamp, bowlOn])
  const live = device === null || scale.silent ? null : pouredNow(scale.state)
  const still = device === null || scale.silent || !bowlOn ? null : pouredStill(scale.state)
  const later = entries.filter((e) => e.due && e !== entry)
  const item =
    entry === undefined ? null : { key: entry.key, grams: due, resolution: Math.max(entry.resolution, device?.resolution ?? 0), tolerance: entry.tolerance }
  const reads = (grams: number, before = 0): PourReading => (item === null ? { kind: 'nothing' } : readPour(grams, item, later, before))
  const liveReading: PourReading = still === null ? { kind: 'nothing' } : reads(still)
  useSpoken(entry === undefined ? null : `${entry.title}, ${format.mass(due)}`, aloud.on)

  const take = (grams: number, of = entry) => {
    if (of === undefined) return
    taken.current = stamp
    const exact = Number(grams.toFixed(of.resolution < 1 ? 1 : 0))
    onPour(
      of,
      still !== null && device !== null && typed === null ? exact : grams,
      still !== null && device !== null && typed === null ? { source: 'device', device: device.name } : { source: 'typed' }
    )
    scale.begin()
    setTyped(null)
    setSlip(null)
  }
  // The bowl is on: from here on only what is poured counts.
  const bowlFound = device !== null && !bowlOn && scale.state.still !== null && scale.state.still >= BOWL_GRAMS
  useEffect(() => {
    if (!bowlFound) return
    scale.begin()
    setBowlOn(true)
  }, [bowlFound, scale.begin])
  // A piece was taken off: the bare scale is nothing again.
  const bare = mode === 'pieces' && scale.state.away !== null
  useEffect(() => {
    if (bare) scale.begin()
  }, [bare, scale.begin])
  // It stands still and is right: on to the next.
  const settled = still !== null && liveReading.kind === 'right' && scale.state.away === null ? still : null
  // Another item is due: the one before may come again, when its pour is taken back.
  useEffect(() => {
    if (taken.current !== stamp) taken.current = null
  }, [stamp])
  const latestTake = useRef(take)
  latestTake.current = take
  useEffect(() => {
    if (settled !== null && taken.current !== stamp) latestTake.current(settled)
  }, [settled, stamp])

  const advance = () => {
    if (entry === undefined || slip !== null) return
    if (device !== null && !scale.silent && !bowlOn) {
      scale.begin()
      setBowlOn(true)
      return
    }
    if (live !== null && still === null && typed === null) return
    const grams = typed ?? still ?? due
    if ((cannotBe?.(entry, grams) ?? null) !== null) return
    const reading = reads(grams, typed === null || mode === 'pieces' ? 0 : inBowl)
    if (reading.kind === 'right') take(grams)
    else if (reading.kind !== 'nothing') setSlip({ key: entry.key, grams, reading })
  }
  useHotkeys(kitchen.keys && entry !== undefined ? [['space', advance]] : [])
  if (entry === undefined || item === null) return null

  const shownSlip =
    slip !== null && slip.key === entry.key
      ? slip
      : still !== null &&
          (liveReading.kind === 'over' || liveReading.kind === 'another item' || (liveReading.kind === 'taken out' && scale.state.away === null))
        ? { key: entry.key, grams: still, reading: liveReading }
        : null
  const impossible = cannotBe?.(entry, shownSlip?.grams ?? typed ?? still ?? due) ?? null
  const onTap = (event: MouseEvent) => {
    const target = event.target as HTMLElement
    if (target.closest('button, input, a, label, details, [role="note"], [data-testid="mis-pour"], [role="listbox"]') === null && shownSlip === null) advance()
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
        {live === null || !bowlOn ? (
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
        {device !== null && !scale.silent && !bowlOn && <Note>{WEIGH.putBowlOnScaleWhat}</Note>}
        {device !== null && scale.silent && <Note tone="care">{WEIGH.silentWakeOrLookAt(device.name)}</Note>}
        {scale.state.away !== null && mode === 'bowl' && bowlOn && <Note tone="care">{WEIGH.bowlOffScaleOrWas}</Note>}
        <QuantityField
          key={stamp}
          kind="mass"
          label={WEIGH.whatScaleShows}
          what={WEIGH.whatWasWeighed}
          value={typed ?? (still === null ? due : Math.max(Math.round(still / entry.resolution) * entry.resolution, 0))}
          range={range}
          onCommit={(grams) => {
            setTyped(grams)
            setSlip(null)
          }}
          size="lg"
          onKeyDown={(e) => e.key === 'Enter' && advance()}
        />
        {children?.(entry, typed ?? still ?? due)}
        {impossible !== null && <Note tone="stop">{impossible}</Note>}
        {impossible === null && shownSlip !== null && shownSlip.reading.kind !== 'right' && shownSlip.reading.kind !== 'nothing' && (
          <MisPour
            reading={shownSlip.reading}
            grams={shownSlip.grams}
            entry={entry}
            entries={entries}
            mendable={mode === 'bowl'}
            answers={{
              onRepair: (repair: Repair) => {
                take(shownSlip.grams)
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
                take(shownSlip.grams)
                onTargets({ [entry.key]: entry.grams })
              },
              onOther: (key) => {
                const other = entries.find((e) => e.key === key)
                if (other !== undefined) take(shownSlip.grams, other)
              },
              onTared: (grams) => {
                const reading = readPour(grams, item)
                if (mode === 'pieces' || reading.kind === 'right') take(grams)
                else setSlip({ key: entry.key, grams, reading })
              },
              onDismiss: () => {
                setSlip(null)
                setTyped(null)
              }
            }}
          />
        )}
        {shownSlip === null && (
          <Button size="xl" fullWidth mt="lg" onClick={advance} disabled={impossible !== null}>
            {device !== null && !scale.silent && !bowlOn ? WEIGH.bowlOn : WEIGH.poured2}
            {kitchen.keys && <span className={large.keyHint}>{WEIGH.space}</span>}
          </Button>
        )}
        <Group mt="md" justify="space-between" align="flex-end">
          <ScaleBar device={device} all={all} onChoose={choose} due={due} battery={scale.battery} shown={scale.state.recent.at(-1)?.grams ?? 0} />
          {aloud.can && <Switch label={WEIGH.spokenAloud} checked={aloud.on} onChange={(e) => aloud.set(e.currentTarget.checked)} />}
        </Group>
      </Card>
    </div>
  )
}
