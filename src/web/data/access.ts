import useSWR, { mutate } from 'swr'
import { type Access, accessSchema, type Pairing, pairingSchema, ROUTES, type SignIn, signedInSchema } from '../../contract'
import { ask } from './api'
import { flush } from './outbox'

/** Who may come in; undefined until it is known. Nothing of this waits for a server that is away. */
export function useAccess(): Access | undefined {
  return useSWR(ROUTES.access, (path) => ask(accessSchema, { method: 'GET', path })).data
}

const keepAccess = (access: Access) => mutate(ROUTES.access, access, { revalidate: false })

/** Signs this device in; what waited is sent. @throws Refusal */
export async function signIn(asked: SignIn): Promise<void> {
  await ask(signedInSchema, { method: 'POST', path: ROUTES.session, body: asked })
  await mutate(() => true)
  void flush()
}

/** Signs a device out. */
export async function signOut(id: string): Promise<void> {
  await keepAccess(await ask(accessSchema, { method: 'DELETE', path: ROUTES.sessionOf(id) }))
}

/** A code that lets one other device in. */
export const makePairing = (): Promise<Pairing> => ask(pairingSchema, { method: 'POST', path: ROUTES.pairings })

/** Changes the passphrase; all other devices sign in again. @throws Refusal */
export async function changePassphrase(next: string, current?: string): Promise<void> {
  await keepAccess(await ask(accessSchema, { method: 'PUT', path: ROUTES.passphrase, body: { next, ...(current === undefined ? {} : { current }) } }))
}

/** Address of this kitchen for other devices: never the name that only this machine knows. */
export const addressFor = (access: Access | undefined): string => access?.addresses[0] ?? window.location.origin
