import { z } from 'zod'
import * as contract from '../src/contract'

const REFERENCE = '#/components/schemas/'

/** "jarEndSchema" is told as "JarEnd". */
const named = (name: string) => name.replace(/Schema$/, '').replace(/^./, (first) => first.toUpperCase())

/** All schemas of the contract, under their names: one that stands within another is referred to. */
function registered(): z.core.$ZodRegistry<{ id: string }> {
  const registry = z.registry<{ id: string }>()
  for (const [name, schema] of Object.entries(contract)) if (schema instanceof z.ZodType) registry.add(schema, { id: named(name) })
  return registry
}

/** Schemas as they cross the wire: what each takes in, for answers as well, before whoever asked decodes it. */
function schemasOf(registry: z.core.$ZodRegistry<{ id: string }>): Readonly<Record<string, unknown>> {
  const { schemas } = z.toJSONSchema(registry, { io: 'input', uri: (id) => REFERENCE + id })
  return Object.fromEntries(Object.entries(schemas).map(([id, { $schema: _, $id: __, ...schema }]) => [id, schema]))
}

const FILE = { schema: { type: 'string', format: 'binary' } }

/** The API as an OpenAPI 3.1 document, made from the schemas that are checked. */
export function apiDocument(): Readonly<Record<string, unknown>> {
  const registry = registered()
  const content = (sent: z.ZodType | string) => {
    if (typeof sent === 'string') return { [sent]: FILE }
    const known = registry.get(sent)
    return { 'application/json': { schema: known === undefined ? z.toJSONSchema(sent, { io: 'input' }) : { $ref: REFERENCE + known.id } } }
  }
  const parameters = ({ path, query }: contract.Operation) => [
    ...[...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
    ...Object.entries(query?.shape ?? {}).map(([name, schema]) => ({
      name,
      in: 'query',
      required: !schema.safeParse(undefined).success,
      schema: z.toJSONSchema(schema, { io: 'input' })
    }))
  ]
  const operationOf = (about: string, operation: contract.Operation) => ({
    tags: [about],
    summary: operation.does,
    parameters: parameters(operation),
    ...(operation.who === undefined ? {} : { security: operation.who === 'key of the device' ? [{ device: [] }] : [] }),
    ...(operation.takes === undefined ? {} : { requestBody: { required: true, content: content(operation.takes) } }),
    responses: {
      '200': { description: 'It is done, or told.', content: content(operation.gives) },
      default: { description: 'It was refused: a code for programs, a sentence for people.', content: content(contract.errorSchema) }
    }
  })
  const paths: Record<string, Record<string, unknown>> = {}
  for (const [about, operations] of Object.entries(contract.API))
    for (const operation of operations) paths[operation.path] = { ...paths[operation.path], [operation.method.toLowerCase()]: operationOf(about, operation) }
  return {
    openapi: '3.1.0',
    info: { title: 'Olvent', version: '1', description: 'Instants are UTC (ISO 8601), masses grams, temperatures degrees Celsius, shares parts of one.' },
    tags: Object.keys(contract.API).map((name) => ({ name })),
    security: [{ session: [] }],
    paths,
    components: {
      schemas: schemasOf(registry),
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: 'olvent_session', description: 'Given at sign-in. The computer that runs Olvent needs none.' },
        device: { type: 'http', scheme: 'bearer', description: 'The key a device was given when it was added.' }
      }
    }
  }
}

const nameOf = (sent: contract.Operation['takes'], names: ReadonlyMap<unknown, string>) =>
  sent === undefined ? '–' : typeof sent === 'string' ? `\`${sent}\`` : (names.get(sent) ?? 'JSON')

/** The API as a page: an address, what it does, what it takes and gives. */
export function apiPage(): string {
  const names = new Map(Object.entries(contract).map(([name, schema]) => [schema as unknown, named(name)]))
  const page = [
    '# The API',
    '',
    'Everything the window does goes over these addresses. `npm run schema` makes this page and [openapi.json](openapi.json), where the named shapes stand, from `src/contract/api.ts`; a test holds it to the routes the server has.',
    '',
    'Instants are UTC (ISO 8601), masses grams, temperatures degrees Celsius, shares parts of one. Who writes gives each write an id (a UUID): sent twice it counts once. What is refused is answered by 4xx and `{ error: { code, message, fields? } }`, with a sentence for people.',
    ''
  ]
  for (const [about, operations] of Object.entries(contract.API)) {
    page.push(`## ${about}`, '', '| | address | what it does | takes | gives |', '|---|---|---|---|---|')
    for (const { method, path, does, takes, query, gives, who } of operations) {
      const asked = query === undefined ? '' : `?${Object.keys(query.shape).join('&')}`
      page.push(`| ${method} | \`${path}${asked}\` | ${does}${who === undefined ? '' : ` (${who})`} | ${nameOf(takes, names)} | ${nameOf(gives, names)} |`)
    }
    page.push('')
  }
  return page.join('\n')
}
