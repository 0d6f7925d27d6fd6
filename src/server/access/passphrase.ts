import { randomBytes, type ScryptOptions, scrypt, timingSafeEqual } from 'node:crypto'

/**
 * Cost of one guess: 32 MB and about a tenth of a second. Source: OWASP Password Storage Cheat Sheet, scrypt with N = 2^15, r = 8, p = 3;
 * p is 1 here, since guesses are slowed down and locked besides.
 */
const COST = { N: 2 ** 15, r: 8, p: 1 }
const SALT_BYTES = 16
const KEY_BYTES = 32
/** Node refuses more memory than this, bytes: twice what the cost takes. */
const MOST_MEMORY = 2 * 128 * COST.N * COST.r

const derived = (passphrase: string, salt: Buffer, { N, r, p }: Pick<ScryptOptions, 'N' | 'r' | 'p'>): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(passphrase.normalize('NFKC'), salt, KEY_BYTES, { N, r, p, maxmem: MOST_MEMORY } as ScryptOptions, (error, key) =>
      error === null ? resolve(key) : reject(error)
    )
  })

/** A passphrase as it is kept: cost, salt and hash. */
export async function hashPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES)
  const key = await derived(passphrase, salt, COST)
  return `scrypt:${COST.N}:${COST.r}:${COST.p}:${salt.toString('base64url')}:${key.toString('base64url')}`
}

/** Whether a passphrase is the one that was kept; takes as long whether it is or not. */
export async function isPassphrase(passphrase: string, kept: string): Promise<boolean> {
  const [, N, r, p, salt, key] = kept.split(':')
  if (salt === undefined || key === undefined) return false
  const expected = Buffer.from(key, 'base64url')
  return timingSafeEqual(expected, await derived(passphrase, Buffer.from(salt, 'base64url'), { N: Number(N), r: Number(r), p: Number(p) }))
}
