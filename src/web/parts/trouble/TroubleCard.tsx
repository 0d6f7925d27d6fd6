import { Chip, Group, Text } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Jar } from '../../../contract'
import { type BatchLine, causesOf, type JarBelief, type SourAsked, SYMPTOMS, type Symptom, sparesOf, troubleFactsOf, UNKNOWN_JAR } from '../../../core'
import { againFrom, CAUSE_WORDS, SYMPTOM_WORDS } from '../../../words'
import { TROUBLE_CARD } from '../../../words/screens/parts-trouble'
import { usePastBreads } from '../../data/compare'
import { useJars } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Card, Note } from '../cards/Card'
import { SourLevers, type SourWay } from '../sour/SourCard'
import classes from './TroubleCard.module.css'

/** Causes told at once, and the least share that is worth a line. */
const MOST_TOLD = 4
const LEAST_SHARE = 0.08
/** Causes that a revival mends. */
const REVIVED = ['weak culture', 'still waking', 'much acid'] as const

/** What may be the matter with a culture, the likeliest for this jar first, and what to do. */
export function TroubleCard({
  line,
  belief,
  jar,
  now,
  atFirst = null,
  sour = null
}: {
  readonly line: BatchLine
  readonly belief: JarBelief
  readonly jar: Jar | undefined
  readonly now: number
  readonly atFirst?: Symptom | null
  /** What its sourness is worked out for; as it was fed, where left out. */
  readonly sour?: SourAsked | null
}) {
  const { format } = useKitchen()
  const { jars = [] } = useJars()
  const breads = usePastBreads(jar?.id ?? null)
  const spares = jar === undefined ? [] : sparesOf(jar, jars).map((other) => other.name)
  const [chosen, setChosen] = useState<Symptom | SourWay | null>(null)
  const taste = chosen === 'tangier' || chosen === 'milder' ? chosen : null
  const symptom = taste !== null ? null : ((chosen as Symptom | null) ?? atFirst)
  const causes = symptom === null ? [] : causesOf(symptom, troubleFactsOf(line, now, belief.centre, belief !== UNKNOWN_JAR, breads))
  return (
    <Card title={TROUBLE_CARD.somethingWrong} data-testid="trouble">
      <Group gap={8}>
        {SYMPTOMS.map((s) => (
          <Chip key={s} size="md" checked={symptom === s} onChange={(on) => setChosen(on ? s : null)}>
            {SYMPTOM_WORDS[s]}
          </Chip>
        ))}
        {(['milder', 'tangier'] as const).map((way) => (
          <Chip key={way} size="md" checked={taste === way} onChange={(on) => setChosen(on ? way : null)}>
            {way === 'milder' ? TROUBLE_CARD.tooSour : TROUBLE_CARD.notSourEnough}
          </Chip>
        ))}
      </Group>
      {taste !== null && <SourLevers asked={sour ?? { levain: line, dough: null, school: 'dome', jar: belief.centre, begun: false }} way={taste} />}
      {symptom === 'pink or fuzzy' ? (
        <Note tone="stop">
          {CAUSE_WORDS.mould.act} {againFrom(spares)}
        </Note>
      ) : (
        <ol className={classes.causes}>
          {causes
            .filter((c, i) => i === 0 || c.share >= LEAST_SHARE)
            .slice(0, MOST_TOLD)
            .map(({ code, share }) => (
              <li key={code}>
                <b>{CAUSE_WORDS[code].says}</b> <span className={classes.share}>{format.percent(share, 0)}</span>
                <div>{CAUSE_WORDS[code].act}</div>
                {jar !== undefined && REVIVED.some((r) => r === code) && (
                  <Link to={`/jars/${jar.id}/programs?kind=revival`}>{TROUBLE_CARD.planToBringBack(jar.name)}</Link>
                )}
              </li>
            ))}
        </ol>
      )}
      {symptom !== null && symptom !== 'pink or fuzzy' && (
        <Text c="dimmed" mt="sm">
          {TROUBLE_CARD.rankedByWhatKnownHow(jar?.name ?? 'it')}
        </Text>
      )}
    </Card>
  )
}
