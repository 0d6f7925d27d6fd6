import { createHash, randomBytes } from 'node:crypto'

const TOKEN_BYTES = 24

/** A token that nobody guesses. It is told once; only its hash is kept. */
export const newToken = () => randomBytes(TOKEN_BYTES).toString('base64url')

export const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')
