import { QueryTypes } from 'sequelize'
import type { Guess } from '../../../contract'
import { NOT_UNDONE, type Work } from '../work'

/** What of the jars is still a guess: what was guessed when they came, as last corrected, less what a feed or a weighing has told since. */
export async function guessesOf({ models, transaction }: Work): Promise<Map<string, Guess[]>> {
  const sequelize = models.jars.sequelize
  if (sequelize === undefined) throw new Error('The tables belong to no database.')
  const ask = <Row extends object>(sql: string) => sequelize.query<Row>(sql, { type: QueryTypes.SELECT, transaction })
  // Of a group, SQLite takes the other columns from the row that has the largest sequence.
  const told = await ask<{ jarId: string; guesses: string | null; last: number }>(
    `SELECT jarId, MAX(sequence) AS last, COALESCE(json_extract(payload, '$.told.guesses'), '[]') AS guesses
     FROM events WHERE type IN ('opened', 'corrected') AND jarId IS NOT NULL GROUP BY jarId`
  )
  const guessed = told.map(({ jarId, guesses }) => ({ jarId, guesses: JSON.parse(guesses ?? '[]') as Guess[] })).filter(({ guesses }) => guesses.length > 0)
  if (guessed.length === 0) return new Map()
  const since = await ask<{ jarId: string; type: string }>(
    `SELECT jarId, type FROM events WHERE type IN ('feed', 'weighing') AND jarId IS NOT NULL AND ${NOT_UNDONE} GROUP BY jarId, type`
  )
  const has = (jarId: string, type: string) => since.some((event) => event.jarId === jarId && event.type === type)
  return new Map(
    guessed.map(({ jarId, guesses }) => {
      const fed = has(jarId, 'feed')
      const weighed = fed || has(jarId, 'weighing')
      // A feed is told in grams: what of the old is left in it hardly counts.
      return [jarId, guesses.filter((guess) => (guess === 'grams' ? !weighed : !fed))]
    })
  )
}
