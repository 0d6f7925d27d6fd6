import type { Response } from 'express'
import { REFUSE_ACCESS } from '../../words/refusals/access'
import { Problem } from '../problems'
import type { Caller } from './gate'

/** So many live lines one device may hold: a browser holds no more than six to one address. */
const MOST_LINES = 12
/** Windows of this machine share one name. */
const THIS_MACHINE = 'this machine'

/** Open live lines, by the device they belong to. */
export interface Lines {
  /** @throws Problem when this device holds too many */
  open(caller: Caller, res: Response): void
  /** Ends the lines of a session that was signed out. */
  close(sessionId: string): void
  /** Ends the lines of all sessions but one. */
  closeAllBut(sessionId: string | null): void
}

export function createLines(): Lines {
  const lines = new Map<string, Set<Response>>()
  const end = (of: string) => {
    for (const res of lines.get(of) ?? []) res.end()
    lines.delete(of)
  }
  return {
    open({ sessionId }, res) {
      const of = sessionId ?? THIS_MACHINE
      const there = lines.get(of) ?? new Set()
      if (of !== THIS_MACHINE && there.size >= MOST_LINES) throw new Problem(429, 'too many', REFUSE_ACCESS.thisDeviceHasTooMany)
      lines.set(of, there.add(res))
      res.on('close', () => {
        there.delete(res)
        if (there.size === 0 && lines.get(of) === there) lines.delete(of)
      })
    },
    close: end,
    closeAllBut(sessionId) {
      for (const of of [...lines.keys()]) if (of !== sessionId && of !== THIS_MACHINE) end(of)
    }
  }
}
