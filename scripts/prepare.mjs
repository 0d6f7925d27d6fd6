// Puts in place what pictures and benchmarks need.
import { checkNode, ensureBuild, ensureChromium, ensurePackages, ensureSqlite } from './setup.mjs'

checkNode()
ensurePackages()
await Promise.all([ensureChromium(), ensureSqlite(), ensureBuild()])
