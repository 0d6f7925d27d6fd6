import { benchCutOff } from './cutOff'
import { benchExtremes } from './extremes'
import { benchFaces } from './faces'
import { benchFiles } from './files'
import { benchFormula } from './formula'
import { benchGrid } from './grid'
import { benchHostile } from './hostile'
import { benchJars } from './jars'
import { benchJudge } from './judge'
import { benchKills } from './kills'
import { benchLearn } from './learn'
import { benchLive, benchTwoDevices } from './live'
import { benchLong } from './long'
import { benchLooks } from './looks'
import { benchModel } from './model'
import { benchPictures } from './pictures'
import { benchPlans } from './plans'
import { benchProgram } from './program'
import { benchPromises } from './promises'
import { benchRibbon } from './ribbon'
import { benchHabits, benchSchedules } from './schedules'

/** `npm run bench` prints all figures; `npm run bench -- formula`, `-- grid`, `-- model`, `-- learn`, `-- looks`, `-- judge`, `-- faces`, `-- promises`, `-- jars`, `-- files`, `-- live`, `-- kills`, `-- cut`, `-- hostile`, `-- extremes`, `-- long`, `-- pictures`, `-- plans`, `-- schedules`, `-- ribbon` or `-- program` some of them. They are figures, not tests. */
async function main(): Promise<void> {
  const asked = process.argv.slice(2)
  const wants = (name: string) => asked.length === 0 || asked.includes(name)
  if (wants('formula')) benchFormula()
  if (wants('grid')) await benchGrid()
  if (wants('model')) benchModel()
  if (wants('learn')) benchLearn(asked.map(Number).find((seed) => Number.isInteger(seed)))
  if (wants('looks')) benchLooks(asked.includes('tune'))
  if (wants('judge')) benchJudge()
  if (wants('faces')) benchFaces()
  if (wants('promises')) benchPromises()
  if (wants('jars')) await benchJars()
  if (wants('files')) await benchFiles()
  if (wants('live')) {
    await benchLive()
    await benchTwoDevices()
  }
  if (wants('kills')) await benchKills()
  if (wants('cut')) await benchCutOff()
  if (wants('hostile')) await benchHostile()
  if (wants('extremes')) await benchExtremes()
  if (wants('long')) await benchLong()
  if (wants('pictures')) await benchPictures(asked.includes('tune'))
  if (wants('plans')) benchPlans()
  if (wants('schedules')) {
    benchSchedules(asked.map(Number).find((seed) => Number.isInteger(seed)))
    benchHabits()
  }
  if (wants('ribbon')) await benchRibbon()
  if (wants('program')) await benchProgram()
}

main().catch((error: unknown) => {
  process.stderr.write(`${String(error)}\n`)
  process.exit(1)
})
