import { z } from 'zod'
import { keysOf, SIGNS, type SignKind } from '../core'

/** What was seen of a levain. */
const signEnum = <Kind extends SignKind>(kind: Kind) => z.enum(keysOf(SIGNS[kind])).optional()
export const signsSchema = z.strictObject({
  top: signEnum('top'),
  surface: signEnum('surface'),
  bubbles: signEnum('bubbles'),
  webbing: signEnum('webbing'),
  smell: signEnum('smell'),
  smear: signEnum('smear'),
  spoon: signEnum('spoon')
})
