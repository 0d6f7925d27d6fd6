import { Button, Group, Modal, Table, Text } from '@mantine/core'
import type { Jar, Plan } from '../../../contract'
import { type FormulaLine, lineName, type Pantry, type SolvedBake } from '../../../core'
import { BASE_WORDS, SOURCE_WORDS, sizeWords } from '../../../words'
import { CONFLICT } from '../../../words/screens/bake'
import { type KitchenHere, useKitchen } from '../../data/kitchen'

/** Two windows changed the same of a bake: what differs, side by side. One of the two is chosen; nothing else closes it. */
export function Conflict({
  mine,
  theirs,
  jars,
  solve,
  onMine,
  onTheirs
}: {
  mine: Plan
  theirs: Plan
  jars: readonly Jar[]
  solve: (plan: Plan) => SolvedBake | null
  onMine: () => void
  onTheirs: () => void
}) {
  const here = useKitchen()
  const [ours, others] = [mine, theirs].map((plan) => describePlan(plan, jars, here, solve)) as [[string, string][], [string, string][]]
  const rows = ours.map(([name, value], i) => [name, value, others[i]?.[1] ?? ''] as const).filter(([, here, there]) => here !== there)
  return (
    <Modal
      opened
      onClose={() => undefined}
      closeOnEscape={false}
      closeOnClickOutside={false}
      withCloseButton={false}
      title={CONFLICT.anotherWindowChangedSame}
      size="lg"
    >
      <Table verticalSpacing="xs">
        <Table.Thead>
          <Table.Tr>
            <Table.Th />
            <Table.Th>{CONFLICT.here}</Table.Th>
            <Table.Th>{CONFLICT.there}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map(([name, mineSays, theirsSays]) => (
            <Table.Tr key={name}>
              <Table.Td>{name}</Table.Td>
              <Table.Td>{mineSays}</Table.Td>
              <Table.Td>{theirsSays}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Text c="dimmed" mt="sm">
        {CONFLICT.allOtherChangesBothWindows}
      </Text>
      <Group mt="md">
        <Button onClick={onMine}>{CONFLICT.toUseWhatHere}</Button>
        <Button variant="default" onClick={onTheirs}>
          {CONFLICT.toUseWhatThere}
        </Button>
      </Group>
    </Modal>
  )
}

const nameOfLine = (line: FormulaLine, pantry: Pantry) => lineName(line, pantry) ?? 'gone'

/** Lines with their percentages; flours share all flour in the parts they are given. */
function linesInWords(lines: readonly FormulaLine[], pantry: Pantry, format: KitchenHere['format']): string {
  const parts = lines.reduce((sum, line) => sum + (line.kind === 'flour' ? line.share : 0), 0)
  return lines
    .map((line) => {
      const share = line.kind === 'flour' ? line.share / parts : 'share' in line ? line.share : null
      return share === null ? nameOfLine(line, pantry) : `${nameOfLine(line, pantry)} ${format.percent(share)}`
    })
    .join(', ')
}

/** A plan in words, line by line. */
function describePlan(plan: Plan, jars: readonly Jar[], { format, pantry }: KitchenHere, solve: (plan: Plan) => SolvedBake | null): [string, string][] {
  const build = solve(plan)?.build
  return [
    ['Name', plan.name],
    ['Size', sizeWords(plan.target, format)],
    [CONFLICT.percentages, BASE_WORDS[plan.formula.base].name],
    ['Hydration', format.percent(plan.formula.hydration)],
    ['Salt', format.percent(plan.formula.salt)],
    ['Lines', linesInWords(plan.formula.lines, pantry, format)],
    ['Levain', `${format.percent(plan.build.hydration, 0)}, ${SOURCE_WORDS[plan.build.source].name}`],
    ['Jar', jars.find((j) => j.id === plan.jarId)?.name ?? ''],
    ['Starter', build === undefined || build === null ? '' : format.mass(build.weigh.seed)],
    [CONFLICT.backToJar, format.mass(plan.build.keepBackGrams)],
    ['Place', format.temperature(plan.tempC)],
    ['Mix', format.dayTime(plan.mixAt)]
  ]
}
