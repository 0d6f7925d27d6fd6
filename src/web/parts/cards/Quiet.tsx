import { Button, Stack, Text, Title } from '@mantine/core'
import { Link } from 'react-router'

/** An empty, lost or broken state: one sentence and the one button. */
export function Quiet({ title, words, action }: { title: string; words: string; action?: { label: string; href?: string; onClick?: () => void } }) {
  return (
    <Stack align="center" ta="center" gap="sm" py={64} px="md" maw={560} mx="auto">
      <Title order={2}>{title}</Title>
      <Text c="dimmed">{words}</Text>
      {action?.href !== undefined && (
        <Button component={Link} to={action.href} mt="xs">
          {action.label}
        </Button>
      )}
      {action?.onClick !== undefined && (
        <Button onClick={action.onClick} mt="xs">
          {action.label}
        </Button>
      )}
    </Stack>
  )
}
