// Everything that has to hold: types, lint, layering, unit tests, end-to-end tests. Closes with one line that sums them all.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkNode, ensureBuild, ensureChromium, ensurePackages, run, say } from './setup.mjs'

checkNode()
ensurePackages()
ensureChromium()

/** Test files run side by side. A browser takes the cores to itself: two of them at once are no faster, and slow each other into timeouts. */
const WORKERS = { unit: Math.min(2, availableParallelism()), e2e: 1 }

let passed = 0
let failed = 0

/** One check that passes or fails as a whole. */
function check(name, command, args) {
  say(`${name} …`)
  if (run(command, args).status === 0) passed++
  else {
    failed++
    say(`${name} failed.`)
  }
}

/** A Jest project; a suite that cannot even start counts as failed. */
function jest(project) {
  say(`${project} tests …`)
  const folder = mkdtempSync(join(tmpdir(), 'olvent-test-'))
  const file = join(folder, 'result.json')
  const done = run('npx', ['jest', '--selectProjects', project, '--json', '--outputFile', file, `--maxWorkers=${WORKERS[project]}`], { quiet: true })
  try {
    const result = JSON.parse(readFileSync(file, 'utf8'))
    passed += result.numPassedTests
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites
    if (result.numTotalTests === 0) failed++
    if (!result.success) process.stdout.write(done.stderr)
    else say(`${result.numPassedTests} passed`)
  } catch {
    failed++
    process.stdout.write(`${done.stdout}${done.stderr}`)
  }
  rmSync(folder, { recursive: true, force: true })
}

check('Types', 'npx', ['tsc', '-p', '.'])
check('Lint and format', 'npx', ['biome', 'ci', '--log-level=warn'])
check('Layering', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src', '--output-type', 'err'])
jest('unit')
ensureBuild()
jest('e2e')

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exit(failed === 0 ? 0 : 1)
