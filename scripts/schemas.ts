import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { portableJsonSchema } from '../src/contract'
import { apiDocument, apiPage } from './apiDocument'

const write = (name: string, text: string): void => writeFileSync(join(process.cwd(), 'docs', name), text)

/** Writes what is published of the schemas: of a formula file, and of the API. Tests hold both to what is checked. */
write('formula.schema.json', `${JSON.stringify(portableJsonSchema(), null, 2)}\n`)
write('openapi.json', `${JSON.stringify(apiDocument(), null, 2)}\n`)
write('api.md', apiPage())
