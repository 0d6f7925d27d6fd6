import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { portableJsonSchema } from '../src/contract'

/** Writes the published JSON Schema of a formula file; a test holds it to the schema that is checked. */
writeFileSync(join(process.cwd(), 'docs', 'formula.schema.json'), `${JSON.stringify(portableJsonSchema(), null, 2)}\n`)
