import { createHash } from 'node:crypto'
import { Op } from 'sequelize'
import { REFUSE_RECORDS } from '../../words/refusals/records'
import { plain } from '../db/rows'
import { Problem } from '../problems'
import type { Work } from './work'

/** A write as it came in. */
export interface Sent {
  /** Id given to it by its sender; null: none, so it cannot be told from another. */
  readonly id: string | null
  readonly method: string
  readonly path: string
  readonly body: unknown
}

/** Answers are kept for so many of the last writes: whoever lost one asks again soon. */
const ANSWERS_KEPT = 200
const FINGERPRINT_LENGTH = 16

function fingerprintOf({ method, path, body }: Sent): string {
  const text = JSON.stringify(body) ?? ''
  return createHash('sha256').update(`${method} ${path} ${text}`).digest('base64url').slice(0, FINGERPRINT_LENGTH)
}

/**
 * Does a write once, however often it is sent: the same again is answered as it was the first time.
 * @param act does it; nothing is noted when it throws
 * @param secret the answer is kept nowhere: it is made anew
 * @throws Problem `used id` when the id belongs to another write
 */
export async function sentOnce(work: Work, sent: Sent, act: () => Promise<unknown>, secret = false): Promise<unknown> {
  const { id } = sent
  if (id === null) return act()
  const { models, transaction } = work
  const row = await models.writes.findOne({ where: { id }, transaction })
  if (row !== null) {
    const before = plain(row)
    if (before.fingerprint !== fingerprintOf(sent)) throw new Problem(409, 'used id', REFUSE_RECORDS.thisIdBelongsToSomething)
    // What is old was sent by something that knows its own ids: doing it again changes nothing.
    return before.answer === null ? act() : JSON.parse(before.answer)
  }
  const answer = await act()
  // Only now: what nests too deeply to be written out has been refused.
  const { sequence } = plain(
    await models.writes.create({ id, fingerprint: fingerprintOf(sent), answer: secret ? null : (JSON.stringify(answer) ?? null) }, { transaction })
  )
  await models.writes.update({ answer: null }, { where: { sequence: { [Op.lte]: (sequence ?? 0) - ANSWERS_KEPT }, answer: { [Op.ne]: null } }, transaction })
  return answer
}
