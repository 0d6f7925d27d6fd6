import { Button, CopyButton, Group, Skeleton } from '@mantine/core'
import { QRCodeSVG } from 'qrcode.react'
import { Link, useParams } from 'react-router'
import { beliefIn, howItIs, minuteOf } from '../../../answers'
import { ratioOf } from '../../../core'
import { whenWords } from '../../../words'
import { addressFor, useAccess } from '../../data/access'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { Quiet } from '../../parts/Quiet'
import classes from './LabelRoom.module.css'

const CODE_PX = 132

/** What is written on a jar: to be printed, shown or copied. Its code opens the jar. */
export function LabelRoom() {
  const { id = '' } = useParams()
  const now = useNow()
  const { kitchen, format, vessels, pantry } = useKitchen()
  const { cultures, error } = useCultures()
  const access = useAccess()
  if (cultures === undefined) return error === undefined ? <Skeleton height={320} /> : <Quiet title="The label could not be made" words={error.message} />
  const jar = cultures.jars.find((j) => j.id === id)
  if (jar === undefined) return <Quiet title="This jar is not here" words="It has been taken away, or never was." action={{ label: 'Jars', href: '/jars' }} />
  const dried = jar.culture === 'dried'
  const line = jar.line
  const { hungryMs } = howItIs(jar, beliefIn(cultures.beliefs, jar.id).centre, minuteOf(now))
  const vessel = vessels.find((v) => v.id === jar.vesselId)
  const { lastFeed } = jar
  const flours = jar.feed.map((p) => pantry.get(p.ingredientId)?.name.toLowerCase() ?? p.ingredientId).join(', ')
  const ratio =
    lastFeed === null ? null : ratioOf({ seed: lastFeed.keepGrams, flour: lastFeed.flours.reduce((sum, f) => sum + f.grams, 0), water: lastFeed.waterGrams })
  const rows: [string, string][] = [
    ['Culture', dried ? `dried, ${jar.flour}` : `${jar.culture}, ${format.percent(jar.hydration, 0)}`],
    [dried ? 'Dried' : 'Last feed', `${format.date(line.startedAtMs)}${dried || ratio === null ? '' : `, ${ratio}`}`],
    ['Fed with', flours],
    ...(vessel === undefined ? [] : ([['Empty jar', format.mass(vessel.tareGrams)]] as [string, string][])),
    dried
      ? ['To wake', '10 g in 21 g of water, 10 g of flour, warm; feed after a day']
      : ['Feed by', hungryMs === null ? 'not in 60 days' : hungryMs < now ? 'now' : whenWords(hungryMs, now, format)]
  ]
  const allergens = [...new Set(jar.feed.flatMap((p) => pantry.get(p.ingredientId)?.allergens ?? []))]
  const words = [jar.name, ...rows.map(([name, value]) => `${name}: ${value}`), allergens.length > 0 ? `Holds ${allergens.join(', ')}.` : ''].join('\n').trim()
  return (
    <div className={classes.room}>
      <Group className={classes.tools}>
        <Button onClick={() => window.print()}>Print</Button>
        <CopyButton value={words}>
          {({ copied, copy }) => (
            <Button variant="default" onClick={copy}>
              {copied ? 'Copied' : 'Copy as text'}
            </Button>
          )}
        </CopyButton>
        <Button variant="subtle" component={Link} to={`/jars/${jar.id}`}>
          Back to {jar.name}
        </Button>
      </Group>
      <section className={classes.label} aria-label={`Label of ${jar.name}`} data-testid="label">
        <div>
          <h1 className={classes.name}>{jar.name}</h1>
          <dl className={classes.rows}>
            {rows.map(([name, value]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>{value}</dd>
              </div>
            ))}
          </dl>
          {allergens.length > 0 && <p className={classes.small}>Holds {allergens.join(', ')}.</p>}
          <p className={classes.small}>Lid loose. Pink, orange or fuzzy: throw all of it away. · {kitchen.name}</p>
        </div>
        <QRCodeSVG value={`${addressFor(access)}/jars/${jar.id}`} size={CODE_PX} level="M" marginSize={2} title={`Opens ${jar.name}`} />
      </section>
    </div>
  )
}
