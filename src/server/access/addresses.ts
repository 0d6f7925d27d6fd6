import { hostname, networkInterfaces } from 'node:os'

/** Hosts that only this machine reaches. */
export const isLoopback = (host: string) => host === 'localhost' || host === '::1' || host.startsWith('127.')

/** Names and addresses under which this machine can be called on its network, the plainest first. */
export function namesHere(): string[] {
  const found = Object.values(networkInterfaces()).flatMap((list) => list ?? [])
  const own = found.filter((one) => !one.internal && !one.address.startsWith('fe80'))
  const v4 = own.filter((one) => one.family === 'IPv4').map((one) => one.address)
  const v6 = own.filter((one) => one.family === 'IPv6').map((one) => `[${one.address}]`)
  const name = hostname().toLowerCase()
  return [...v4, ...(name.includes('.') ? [name] : [`${name}.local`, name]), ...v6]
}
