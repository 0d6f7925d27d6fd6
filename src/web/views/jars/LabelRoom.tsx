import { Button, CopyButton, Group, Skeleton } from '@mantine/core'
import { millisecondsInDay } from 'date-fns/constants'
import { QRCodeSVG } from 'qrcode.react'
import { Link, useParams } from 'react-router'
import { beliefIn, howItShows, minuteOf, wokenHydration } from '../../../answers'
import { DRIED_KEEPS_DAYS, ratioOf, WAKING_FLAKES, wakingOf } from '../../../core'
import { whenWords } from '../../../words'
import { LABEL_ROOM } from '../../../words/screens/jars'
import { addressFor, useAccess } from '../../data/access'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { Quiet } from '../../parts/cards/Quiet'
import classes from './LabelRoom.module.css'

const CODE_PX = 132

/** What is written on a jar: to be printed, shown or copied. Its code opens the jar. */
export function LabelRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const { kitchen, format, vessels, pantry } = useKitchen()
  const { cultures, error } = useCultures()
  const access = useAccess()
  if (cultures === undefined) return error === undefined ? <Skeleton height={320} /> : <Quiet title={LABEL_ROOM.labelCouldNotBeMade} words={error.message} />
  const jar = cultures.jars.find((j) => j.id === id)
  if (jar === undefined)
    return <Quiet title={LABEL_ROOM.thisJarNotHere} words={LABEL_ROOM.hasBeenTakenAwayOr} action={{ label: LABEL_ROOM.jars, href: '/jars' }} />
  const dried = jar.culture === 'dried'
  const line = jar.line
  const { hungryMs } = howItShows(jar, beliefIn(cultures.beliefs, jar.id), minuteOf(now))
  const waking = wakingOf(WAKING_FLAKES, wokenHydration(jar))
  const vessel = vessels.find((v) => v.id === jar.vesselId)
  const { lastFeed } = jar
  const flours = jar.feed.map((p) => pantry.get(p.ingredientId)?.name.toLowerCase() ?? p.ingredientId).join(', ')
  const ratio =
    lastFeed === null ? null : ratioOf({ seed: lastFeed.keepGrams, flour: lastFeed.flours.reduce((sum, f) => sum + f.grams, 0), water: lastFeed.waterGrams })
  const rows: [string, string][] = [
    ['Culture', dried ? LABEL_ROOM.dried(jar.flour) : `${jar.culture}, ${format.percent(jar.hydration, 0)}`],
    [dried ? 'Dried' : LABEL_ROOM.lastFeed, `${format.date(line.startedAtMs)}${dried || ratio === null ? '' : `, ${ratio}`}`],
    [LABEL_ROOM.fedWith, flours],
    ...(vessel === undefined ? [] : ([[LABEL_ROOM.emptyJar, format.mass(vessel.tareGrams)]] as [string, string][])),
    ...(dried ? ([[LABEL_ROOM.bestBefore, format.date(line.startedAtMs + DRIED_KEEPS_DAYS * millisecondsInDay)]] as [string, string][]) : []),
    dried
      ? [LABEL_ROOM.toWake, LABEL_ROOM.wakeWith(format.mass(WAKING_FLAKES), format.mass(waking.waterGrams), format.mass(waking.flourGrams))]
      : [
          LABEL_ROOM.feedBy,
          jar.young ? LABEL_ROOM.eachDay : hungryMs === null ? LABEL_ROOM.notInDays : hungryMs < now ? 'now' : whenWords(hungryMs, now, format)
        ]
  ]
  const what = dried ? LABEL_ROOM.ofPacket : LABEL_ROOM.ofJar
  const allergens = [...new Set(jar.feed.flatMap((p) => pantry.get(p.ingredientId)?.allergens ?? []))]
  const words = [jar.name, what, ...rows.map(([name, value]) => `${name}: ${value}`), allergens.length > 0 ? LABEL_ROOM.holds(allergens.join(', ')) : '']
    .join('\n')
    .trim()
  return (
    <div className={classes.room}>
      <Group className={classes.tools}>
        <Button onClick={() => window.print()}>{LABEL_ROOM.print}</Button>
        <CopyButton value={words}>
          {({ copied, copy }) => (
            <Button variant="default" onClick={copy}>
              {copied ? LABEL_ROOM.copied : LABEL_ROOM.copyAsText}
            </Button>
          )}
        </CopyButton>
        <Button variant="subtle" component={Link} to={`/jars/${jar.id}`}>
          {LABEL_ROOM.backTo(jar.name)}
        </Button>
      </Group>
      <section className={classes.label} aria-label={LABEL_ROOM.label(jar.name)} data-testid="label">
        <div>
          <h1 className={classes.name}>{jar.name}</h1>
          <p className={classes.small}>{what}</p>
          <dl className={classes.rows}>
            {rows.map(([name, value]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>{value}</dd>
              </div>
            ))}
          </dl>
          {allergens.length > 0 && <p className={classes.small}>{LABEL_ROOM.holds(allergens.join(', '))}</p>}
          <p className={classes.small}>{dried ? LABEL_ROOM.closesWell(kitchen.name) : LABEL_ROOM.lidLoosePinkOrangeOr(kitchen.name)}</p>
        </div>
        <QRCodeSVG value={`${addressFor(access)}/jars/${jar.id}`} size={CODE_PX} level="M" marginSize={2} title={LABEL_ROOM.opens(jar.name)} />
      </section>
    </div>
  )
}
