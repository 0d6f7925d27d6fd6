// Everything that has to hold: types, lint, layering, unit tests, end-to-end tests. Closes with one line that sums them all.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { begin, checkNode, ensureBuild, ensureChromium, ensurePackages, ensureSqlite, say } from './setup.mjs'

checkNode()
const chromium = ensureChromium()
ensurePackages()

/** Unit tests run side by side. */
const WORKERS = { unit: Math.min(2, availableParallelism()), e2e: 1 }
/** Unit tests that open a database. */
const SERVER = 'src/server'
/** End-to-end tests that come after the unit tests, beside the others; two browsers from the start would slow each other into timeouts. */
const LATER = 'e2e/(looks|shelf|devices|jars|firstRun|oneAnswer|kept)'

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

/** Tests of a Jest project; a suite that cannot even start counts as failed. */
async function jest(project, flags, options) {
  const folder = mkdtempSync(join(tmpdir(), 'olvent-test-'))
  const file = join(folder, 'result.json')
  const { said } = await begin(
    'npx',
    ['jest', '--selectProjects', project, '--json', '--outputFile', file, `--maxWorkers=${WORKERS[project]}`, ...flags],
    options
  )
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

const sqlite = ensureSqlite()
const built = Promise.all([sqlite, ensureBuild(), chromium])

/** What needs no browser gives way to the one that runs beside it. */
async function firstWithoutBrowser() {
  const beside = { givesWay: true }
  await check('Types', 'npx', ['tsc', '-b'], beside)
  await check('Lint and format', 'npx', ['biome', 'ci', '--log-level=warn'], beside)
  await check('Layering', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src', '--output-type', 'err'], beside)
  await jest('unit', ['--testPathIgnorePatterns', SERVER], beside)
  await sqlite
  await jest('unit', ['--testPathPatterns', SERVER], beside)
  await built
  await jest('e2e', ['--testPathPatterns', LATER])
}

async function inBrowser() {
  await built
  await jest('e2e', ['--testPathIgnorePatterns', LATER])
}

say('Types, lint, layering, unit and end-to-end tests: fifteen to thirty minutes …')
await Promise.all([firstWithoutBrowser(), inBrowser()])

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exit(failed === 0 ? 0 : 1)
