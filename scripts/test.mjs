// Everything that has to hold: types, lint, layering, unit tests, end-to-end tests. Closes with one line that sums them all.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { begin, checkNode, ensureBuild, ensureChromium, ensurePackages, say } from './setup.mjs'

checkNode()
const chromium = ensureChromium()
ensurePackages()
await chromium
ensureBuild()

/** Test files run side by side. Two browsers at once are no faster, and slow each other into timeouts. */
const WORKERS = { unit: Math.min(2, availableParallelism()), e2e: 1 }
/** What gives way to a browser takes longer by the clock than it would alone, ms. */
const TIMEOUT = { unit: 240_000, e2e: 150_000 }

let passed = 0
let failed = 0

/** One check that passes or fails as a whole. */
async function check(name, command, args, options) {
  const { status, said } = await begin(command, args, options)
  if (status === 0) passed++
  else failed++
  say(status === 0 ? `${name}: passed` : `${name}: failed`)
  if (status !== 0) process.stdout.write(said)
}

/** A Jest project; a suite that cannot even start counts as failed. */
async function jest(project, options) {
  const folder = mkdtempSync(join(tmpdir(), 'olvent-test-'))
  const file = join(folder, 'result.json')
  const flags = ['--json', '--outputFile', file, `--maxWorkers=${WORKERS[project]}`, `--testTimeout=${TIMEOUT[project]}`]
  const { said } = await begin('npx', ['jest', '--selectProjects', project, ...flags], options)
  try {
    const result = JSON.parse(readFileSync(file, 'utf8'))
    passed += result.numPassedTests
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites
    if (result.numTotalTests === 0) failed++
    say(`${project} tests: ${result.numPassedTests} passed, ${result.numFailedTests + result.numRuntimeErrorTestSuites} failed`)
    if (!result.success) process.stdout.write(said)
  } catch {
    failed++
    process.stdout.write(said)
  }
  rmSync(folder, { recursive: true, force: true })
}

/** All that needs no browser, one after the other, in the time the browser leaves over. */
async function withoutBrowser() {
  const beside = { givesWay: true }
  await check('Types', 'npx', ['tsc', '-p', '.'], beside)
  await check('Lint and format', 'npx', ['biome', 'ci', '--log-level=warn'], beside)
  await check('Layering', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src', '--output-type', 'err'], beside)
  await jest('unit', beside)
}

say('Types, lint, layering, unit and end-to-end tests: some ten minutes …')
await Promise.all([withoutBrowser(), jest('e2e')])

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exit(failed === 0 ? 0 : 1)
