import { Anchor, Button, Stack, Text } from '@mantine/core'
import { Link, useParams } from 'react-router'
import { jarFacts } from '../../../answers'
import { jarFactWords, QUESTIONS, type Question } from '../../../words'
import { QUESTIONS_ROOM } from '../../../words/screens/questions'
import { useCultures } from '../../data/beliefs'
import { useNow } from '../../data/clock'
import { useConditions } from '../../data/conditions'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Note } from '../../parts/cards/Card'
import { Room } from '../../parts/cards/Room'
import { PacketProtein } from '../../parts/fields/PacketProtein'

/** A long question goes on in the next line. */
const WRAPPED = { label: { whiteSpace: 'normal', textAlign: 'left' } } as const

/** Questions bakers ask: all of them, or one with its answer, this kitchen's own facts first. */
export function QuestionsRoom() {
  const { id } = useParams()
  const question = QUESTIONS.find((q) => q.id === id)
  return (
    <Room title={question?.asks ?? QUESTIONS_ROOM.title}>
      {question !== undefined && <Answer key={question.id} question={question} />}
      <Card title={question === undefined ? undefined : QUESTIONS_ROOM.others}>
        <Stack gap={4} align="flex-start">
          {QUESTIONS.filter((q) => q !== question).map((q) => (
            <Button key={q.id} component={Link} to={`/questions/${q.id}`} variant="subtle" px="xs" h="auto" py="xs" styles={WRAPPED}>
              {q.asks}
            </Button>
          ))}
        </Stack>
      </Card>
    </Room>
  )
}

function Answer({ question }: { readonly question: Question }) {
  const { kitchen, format } = useKitchen()
  const now = useNow()
  const { cultures } = useCultures()
  const conditions = useConditions(question.ofJars ? cultures : undefined, now)
  const facts = (cultures?.jars ?? []).flatMap((jar) => {
    const condition = conditions?.get(jar.id)
    // Of what sleeps, and of what is young, there is nothing to forecast.
    return condition === undefined || jar.culture === 'dried' || jar.young ? [] : [jarFacts(jar, condition, kitchen, now)]
  })
  return (
    <Card data-testid="answer">
      {facts.length > 0 && (
        <Note>
          {facts.map((fact) => (
            <Anchor key={fact.jar.id} component={Link} to={`/jars/${fact.jar.id}`} display="block" c="inherit" underline="always" py={6}>
              {jarFactWords(fact, format)}
            </Anchor>
          ))}
        </Note>
      )}
      {question.says.map((words) => (
        <Text key={words} mt="sm">
          {words}
        </Text>
      ))}
      {question.id === 'protein' && <Protein />}
      {question.go !== null && (
        <Button component={Link} to={question.go.path} mt="lg" size="lg">
          {question.go.label}
        </Button>
      )}
    </Card>
  )
}

/** The percent of a packet that tells grams in a serving. */
function Protein() {
  const { format } = useKitchen()
  return (
    <PacketProtein>
      {(share) => (
        <Figures>
          <Figure size="lg" value={format.percent(share)} name={QUESTIONS_ROOM.proteinShare} />
        </Figures>
      )}
    </PacketProtein>
  )
}
