import { z } from 'zod'
import { idSchema, instantSchema, nameSchema } from './common'

/** Shortest passphrase taken; a few words are easily longer. */
export const PASSPHRASE_LENGTH = 10
export const passphraseSchema = z
  .string({ error: 'A passphrase is needed.' })
  .min(PASSPHRASE_LENGTH, { error: `A passphrase has at least ${PASSPHRASE_LENGTH} characters. Four or five words are good.` })
  .max(200, { error: 'A passphrase has at most 200 characters.' })

/** Signing in: with the passphrase, or with the code of another device that is signed in. */
export const signInSchema = z.union([
  z.object({ passphrase: z.string().max(200), name: nameSchema }).strict(),
  z.object({ code: z.string().max(80), name: nameSchema }).strict()
])
export type SignIn = z.input<typeof signInSchema>

/** A device that has signed in. */
export const sessionSchema = z.object({
  id: idSchema,
  name: nameSchema,
  createdAt: instantSchema,
  seenAt: instantSchema,
  /** The one that asks. */
  here: z.boolean()
})
export type Session = z.infer<typeof sessionSchema>
export type WireSession = z.input<typeof sessionSchema>

/** Who may come in, and from where. */
export const accessSchema = z.object({
  /** This window runs on the machine of the server, which needs no passphrase. */
  thisMachine: z.boolean(),
  /** Other devices of the network can reach the server. */
  atHome: z.boolean(),
  hasPassphrase: z.boolean(),
  /** Addresses that other devices open. */
  addresses: z.array(z.string()),
  sessions: z.array(sessionSchema)
})
export type Access = z.infer<typeof accessSchema>
export type WireAccess = z.input<typeof accessSchema>

export const signedInSchema = z.object({ id: idSchema })

/** A code that lets one other device in, once and soon. */
export const pairingSchema = z.object({ code: z.string(), until: instantSchema })
export type Pairing = z.infer<typeof pairingSchema>

export const passphrasePutSchema = z.object({
  /** Not asked for on the machine of the server. */
  current: z.string().max(200).optional(),
  next: passphraseSchema
})
