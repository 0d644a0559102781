import type { INestApplication, Type } from '@nestjs/common'
import { ApiProperty, DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger'
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { getMetadataStorage } from 'class-validator'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { readFileSync } from 'node:fs'

/** JSON Schema as OpenAPI 3.1 takes it. */
export type Schema = Record<string, unknown>
type Schemas = Record<string, Schema>

interface Parameter {
  in: string
  name: string
  required: boolean
  schema?: Schema
}
interface Operation {
  operationId: string
  parameters?: Parameter[]
  requestBody?: { content: Record<string, { schema: Schema }> }
  responses: Record<string, { description: string; content?: Record<string, { schema: Schema }> }>
}

/** What each method of each controller answers, written from its type by `npm run answers`. */
const ANSWERS = new URL('../../answers.json', import.meta.url)

/** How files are sent, by the ends of their addresses. */
const FILES: Record<string, string> = {
  svg: 'image/svg+xml',
  png: 'image/png',
  pdf: 'application/pdf',
  csv: 'text/csv',
  zip: 'application/zip',
  events: 'text/event-stream',
}

const PROBLEM: Schema = {
  type: 'object',
  required: ['title', 'status', 'detail', 'errors'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['field', 'message'],
        properties: { field: { type: 'string' }, message: { type: 'string' } },
      },
    },
  },
}

const REF = '#/components/schemas/'

/** What may be left out may also be null: so the checks take it. */
const orNull = (schema: Schema): Schema =>
  typeof schema['type'] === 'string' && !['enum', 'oneOf', 'anyOf', '$ref'].some((word) => word in schema)
    ? { ...schema, type: [schema['type'], 'null'] }
    : { anyOf: [schema, { type: 'null' }] }

/** Nothing in an address is null. */
const withoutNull = (schema: Schema): Schema =>
  Array.isArray(schema['anyOf'])
    ? (schema['anyOf'] as Schema[])[0]!
    : Array.isArray(schema['type'])
      ? { ...schema, type: (schema['type'] as string[])[0] }
      : schema

/** The classes that check bodies and queries, as schemas by the name of the class. */
function checkedClasses(): Schemas {
  const schemas = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: REF,
  }) as unknown as Schemas
  for (const schema of Object.values(schemas)) {
    schema['additionalProperties'] = false
    const properties = (schema['properties'] ?? {}) as Schemas
    for (const name of Object.keys(properties))
      if (!isRequired(schema, name)) properties[name] = orNull(properties[name]!)
  }
  return schemas
}

const isRequired = (schema: Schema, property: string) => ((schema['required'] ?? []) as string[]).includes(property)

/** Tell Nest the fields of every class, so that it takes those of queries and addresses apart into parameters. */
function tellFields(checks: Schemas): void {
  const { validationMetadatas } = getMetadataStorage() as unknown as { validationMetadatas: Map<Type, unknown> }
  for (const target of validationMetadatas.keys()) {
    const schema = checks[target.name]
    for (const [name, property] of Object.entries((schema?.['properties'] ?? {}) as Schemas))
      if ([...referred(property)].length === 0)
        ApiProperty({ ...withoutNull(property), required: isRequired(schema!, name) } as object)(target.prototype, name)
  }
}

/** Names of the schemas that are referred to from a value. */
function* referred(value: unknown): Generator<string> {
  if (typeof value !== 'object' || value === null) return
  const { $ref } = value as { $ref?: unknown }
  if (typeof $ref === 'string') yield $ref.slice(REF.length)
  for (const inner of Object.values(value)) yield* referred(inner)
}

/** Those of `schemas` that `value` refers to, and that these refer to. */
function closure(value: unknown, schemas: Schemas): Schemas {
  const found: Schemas = {}
  const open = [...referred(value)]
  for (let name = open.pop(); name !== undefined; name = open.pop()) {
    const schema = schemas[name]
    if (!schema || name in found) continue
    found[name] = schema
    open.push(...referred(schema))
  }
  return found
}

/**
 * The interface for programs as an OpenAPI 3.1 document: bodies and queries from the classes that check them, answers from
 * the types of what the controllers return.
 */
export function describeApi(app: INestApplication): OpenAPIObject {
  const head = new DocumentBuilder()
    .setTitle('Outfit')
    .setDescription('Rosters, outfits, parts, offers and plans.')
    .setVersion('1')
    .setOpenAPIVersion('3.1.0')
    .build()
  const checks = checkedClasses()
  tellFields(checks)
  const document = SwaggerModule.createDocument(app, head)
  const { answers, schemas } = JSON.parse(readFileSync(ANSWERS, 'utf8')) as { answers: Schemas; schemas: Schemas }

  for (const [path, item] of Object.entries(document.paths)) {
    for (const operation of Object.values(item as Record<string, Operation>)) {
      if (!operation.operationId) continue
      const answer = answers[operation.operationId.replace(/^Edit\w+Controller_/, 'EditService_')]
      const file = FILES[/\w+$/.exec(path)?.[0] ?? '']
      for (const [status, response] of Object.entries(operation.responses)) {
        if (!/^2/.test(status) || response.content) continue
        if (answer) response.content = { 'application/json': { schema: answer } }
        else if (file) response.content = { [file]: { schema: { type: 'string' } } }
      }
      operation.responses['default'] = {
        description: 'What is wrong, and what is safe.',
        content: { 'application/problem+json': { schema: { $ref: `${REF}Problem` } } },
      }
    }
  }
  const all = { ...schemas, ...checks, Problem: PROBLEM }
  document.components = { ...document.components, schemas: closure(document.paths, all) as never }
  return document
}
