// Opens a kitchen: `npm start` the baker's own, `npm run demo` (with --demo) the made-up one.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { checkNode, ensureBuild, ensurePackages, ensureSqlite, root } from './setup.mjs'

checkNode()
ensurePackages()
await Promise.all([ensureSqlite(), ensureBuild()])

const server = spawn(process.execPath, [join(root, 'dist', 'server', 'main.js'), ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production', LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' }
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
