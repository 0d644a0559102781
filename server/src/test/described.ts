import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import type { Schema } from '../app/describeApi.ts'

/** What of an OpenAPI document is looked at here. */
export interface Described {
  paths: Record<string, Record<string, Operation>>
  components: { schemas: Record<string, Schema> }
}
interface Operation {
  operationId: string
  parameters?: { in: string; name: string; schema?: Schema }[]
  requestBody?: { content: Record<string, { schema: Schema }> }
  responses: Record<string, { content?: Record<string, { schema: Schema }> }>
}

/** A request and what was answered. */
export interface Exchange {
  method: string
  /** Without `/api/`, with its query. */
  path: string
  sent?: unknown
  status: number
  type: string
  body: unknown
}

/** Holds exchanges against what the server says of itself. */
export class Contract {
  private readonly ajv = addFormats.default(new Ajv2020.default({ strict: false, allErrors: false }))
  private readonly routes: { method: string; like: RegExp; operation: Operation }[]

  constructor(described: Described) {
    const here = JSON.parse(JSON.stringify(described).replaceAll('"#/components/', '"api#/components/')) as Described
    this.ajv.addSchema({ $id: 'api', components: here.components })
    this.routes = Object.entries(here.paths)
      // Fixed words come before names: `drawer/where` is no bin.
      .sort(([a], [b]) => (a.replaceAll('{', '~') < b.replaceAll('{', '~') ? -1 : 1))
      .flatMap(([path, item]) =>
        Object.entries(item).map(([method, operation]) => ({
          method: method.toUpperCase(),
          like: new RegExp(`^${path.replace(/[.]/g, '\\.').replace(/\{\w+\}/g, '[^/]+')}$`),
          operation,
        })),
      )
  }

  /** What of an exchange is not as described, in words; null where all is. Refused requests only have their answer looked at. */
  faultOf({ method, path, sent, status, type, body }: Exchange): string | null {
    const [plain = '', query = ''] = `/api/${path}`.split('?')
    const operation = this.routes.find((route) => route.method === method && route.like.test(plain))?.operation
    const told = `${method} ${plain} answered ${status}`
    if (!operation) return status === 404 || status === 405 ? null : `${told}, and is not described`
    if (status >= 400) return this.wrong(`${told}: a problem`, operation.responses['default']?.content, type, body)

    const words = new Set(operation.parameters?.filter((one) => one.in === 'query').map(({ name }) => name))
    for (const name of new URLSearchParams(query).keys())
      if (!words.has(name)) return `${told}: the query has ${name}, which is not described`
    const file = operation.requestBody?.content['application/octet-stream']
    const asked = operation.requestBody?.content['application/json']
    if (Object.keys((sent as object | undefined) ?? {}).length > 0 && !asked && !file)
      return `${told}: it was sent a body, which is not described`
    const fault = asked
      ? this.wrong(`${told}: what was sent`, { 'application/json': asked }, 'application/json', sent)
      : null
    if (fault) return fault

    const response = operation.responses[String(status)]
    if (!response) return `${told}, which is not described`
    if (status === 204) return null
    return this.wrong(`${told}: it`, response.content, type, body)
  }

  private wrong(
    what: string,
    content: Record<string, { schema: Schema }> | undefined,
    type: string,
    value: unknown,
  ): string | null {
    const media = type.split(';')[0]!
    const described = content?.[media]
    if (!described)
      return `${what} is ${media || 'nothing'}, where ${Object.keys(content ?? {}).join(', ') || 'nothing'} is described`
    if (!media.endsWith('json')) return null
    const check = this.ajv.compile(described.schema)
    if (check(value)) return null
    const { instancePath, message, params } = check.errors![0]!
    return `${what} is not as described: ${instancePath || 'all of it'} ${message} ${JSON.stringify(params)}`
  }
}
