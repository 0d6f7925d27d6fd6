// Puts in place what pictures and benchmarks need.
import { checkNode, ensureBuild, ensureChromium, ensurePackages } from './setup.mjs'

checkNode()
ensurePackages()
await ensureChromium()
await ensureBuild()
