import { createServer } from 'node:http'
import { startPage } from '../words'
import { REFUSE_SERVER } from '../words/refusals/server'
import type { Config } from './config'

/**
 * Tells in the browser of this machine why the kitchen was not opened, until the program is stopped. Windows that are open keep
 * their entries: to them it is a server that cannot be asked just now.
 * @returns the address, or null where the port cannot be had
 */
export function tellInBrowser({ port }: Config, sentence: string): Promise<string | null> {
  const page = startPage(sentence)
  const server = createServer((req, res) => {
    const isPage = req.method === 'GET' && !req.url?.startsWith('/api/')
    res.writeHead(503, {
      'Content-Type': isPage ? 'text/html; charset=utf-8' : 'application/json',
      'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
      'Cache-Control': 'no-store'
    })
    res.end(isPage ? page : JSON.stringify({ error: { code: 'fault', message: REFUSE_SERVER.kitchenWasNotOpenedOlvents } }))
  })
  return new Promise((resolve) => {
    server.once('error', () => resolve(null))
    server.listen(port, '127.0.0.1', () => resolve(`http://localhost:${port}`))
  })
}
