import { randomUUID } from 'node:crypto'
import { millisecondsInDay } from 'date-fns/constants'
import { Op } from 'sequelize'
import { isoOf, type WireSession } from '../../contract'
import { REFUSE_ACCESS } from '../../words/refusals/access'
import { THINGS } from '../../words/refusals/things'
import { plain, type SessionRow } from '../db/rows'
import { notFound, Problem } from '../problems'
import { hashOf, newToken } from '../records/devices/tokens'
import type { Work } from '../records/work'
import { hashPassphrase, isPassphrase } from './passphrase'

/** A device that was not seen for so long has to sign in again. */
export const IDLE_MS = 90 * millisecondsInDay
/** The one row there is. */
const ONLY = 1

/** The passphrase as it is kept; null: none was set. */
export async function passphraseOf({ models, transaction }: Work): Promise<string | null> {
  const row = await models.passphrases.findByPk(ONLY, { transaction })
  return row === null ? null : plain(row).secret
}

/** Sets the passphrase. All devices have to sign in again, but the one that stays. */
export async function setPassphrase({ models, transaction, nowMs }: Work, next: string, staysId: string | null): Promise<void> {
  await models.passphrases.upsert({ id: ONLY, secret: await hashPassphrase(next) }, { transaction })
  await models.sessions.update({ revokedAtMs: nowMs }, { where: { revokedAtMs: null, ...(staysId === null ? {} : { id: { [Op.ne]: staysId } }) }, transaction })
}

/** @throws Problem when it is not the passphrase, or there is none */
export async function checkPassphrase(work: Work, passphrase: string): Promise<void> {
  const kept = await passphraseOf(work)
  if (kept === null) throw new Problem(403, 'sign in', REFUSE_ACCESS.noPassphraseHasBeenSet)
  if (!(await isPassphrase(passphrase, kept))) throw new Problem(403, 'wrong passphrase', REFUSE_ACCESS.thatNotPassphraseSmallAnd)
}

/** Lets a device in. Its token is told this once; only its hash is kept. */
export async function openSession({ models, transaction, nowMs }: Work, name: string): Promise<{ readonly id: string; readonly token: string }> {
  const token = newToken()
  const id = randomUUID()
  await models.sessions.create({ id, tokenHash: hashOf(token), name, createdAtMs: nowMs, seenAtMs: nowMs, revokedAtMs: null }, { transaction })
  // Sessions that nobody can use any more are forgotten.
  await models.sessions.destroy({
    where: { [Op.or]: [{ seenAtMs: { [Op.lt]: nowMs - IDLE_MS } }, { revokedAtMs: { [Op.lt]: nowMs - IDLE_MS } }] },
    transaction
  })
  return { id, token }
}

/** The device behind a token; null where it may not come in. */
export async function sessionBehind({ models, nowMs }: Work, token: string): Promise<SessionRow | null> {
  const row = await models.sessions.findOne({ where: { tokenHash: hashOf(token), revokedAtMs: null, seenAtMs: { [Op.gt]: nowMs - IDLE_MS } } })
  return row === null ? null : plain(row)
}

/** Notes that a device was seen. */
export async function sessionSeen({ models, transaction, nowMs }: Work, id: string): Promise<void> {
  await models.sessions.update({ seenAtMs: nowMs }, { where: { id }, transaction })
}

/** Devices that are signed in, the one seen last first. */
export async function listSessions({ models, transaction, nowMs }: Work, hereId: string | null): Promise<WireSession[]> {
  const rows = await models.sessions.findAll({
    where: { revokedAtMs: null, seenAtMs: { [Op.gt]: nowMs - IDLE_MS } },
    order: [['seenAtMs', 'DESC']],
    transaction
  })
  return rows
    .map(plain)
    .map(({ id, name, createdAtMs, seenAtMs }) => ({ id, name, createdAt: isoOf(Number(createdAtMs)), seenAt: isoOf(Number(seenAtMs)), here: id === hereId }))
}

/** Signs a device out. */
export async function closeSession({ models, transaction, nowMs }: Work, id: string): Promise<void> {
  const [changed] = await models.sessions.update({ revokedAtMs: nowMs }, { where: { id, revokedAtMs: null }, transaction })
  if (changed === 0) throw notFound(THINGS.device)
}
