import express, { type RequestHandler } from 'express'
import type { IncomingMessage } from 'node:http'
import { CONTROL } from '@outfit/core/tables'
import { Problem } from './problem.ts'

/** How large and how wide a body may be. What comes near them keeps nobody else waiting for long. */
export interface BodyLimits {
  bytes: number
  /** Lists and objects in one another. */
  depth: number
  /** Objects and lists in all, entries of one list, fields of one object. */
  nodes: number
  entries: number
  fields: number
}

export const USUAL: BodyLimits = { bytes: 1_000_000, depth: 20, nodes: 4_000, entries: 4_000, fields: 1_000 }

/** Files as people have them: tables as text, rosters, problems for the solver. */
export const FILES: BodyLimits = { bytes: 64_000_000, depth: 20, nodes: 200_000, entries: 100_000, fields: 5_000 }
const FILE_PATHS = ['/api/import', '/api/rosters/import', '/api/plans/problem', '/api/recipes']

const [QUOTE, BACKSLASH, COMMA, OPEN_OBJECT, CLOSE_OBJECT, OPEN_LIST, CLOSE_LIST] = Buffer.from('"\\,{}[]')

/**
 * What of JSON text goes beyond its limits, in words; null where nothing does. One pass over the bytes, before anything is
 * made of them: depth, and how much there is of what, show in the brackets and commas outside of strings.
 */
export function tooMuch(json: Uint8Array, limits: BodyLimits): string | null {
  /** Of each bracket open now: whether it is a list, and its commas. */
  const isList = new Uint8Array(limits.depth)
  const commas = new Uint32Array(limits.depth)
  let depth = 0
  let nodes = 0
  for (let i = 0; i < json.length; i++) {
    const byte = json[i]
    if (byte === QUOTE) i = endOfText(json, i)
    else if (byte === OPEN_OBJECT || byte === OPEN_LIST) {
      if (depth === limits.depth) return `it goes more than ${limits.depth} levels deep`
      if (++nodes > limits.nodes) return `it has more than ${limits.nodes} objects and lists`
      isList[depth] = byte === OPEN_LIST ? 1 : 0
      commas[depth++] = 0
    } else if (byte === CLOSE_OBJECT || byte === CLOSE_LIST) depth = Math.max(0, depth - 1)
    else if (byte === COMMA && depth > 0) {
      const count = ++commas[depth - 1]! + 1
      if (isList[depth - 1] === 1 && count > limits.entries)
        return `a list of it has more than ${limits.entries} entries`
      if (isList[depth - 1] === 0 && count > limits.fields)
        return `an object of it has more than ${limits.fields} fields`
    }
  }
  return null
}

/** Where the text that begins with the quote at `from` ends; the length of all where it does not. */
function endOfText(json: Uint8Array, from: number): number {
  for (let end = json.indexOf(QUOTE!, from + 1); end >= 0; end = json.indexOf(QUOTE!, end + 1)) {
    let escapes = 0
    while (json[end - 1 - escapes] === BACKSLASH) escapes++
    if (escapes % 2 === 0) return end
  }
  return json.length
}

/** Names every object has anyway: as a field they would change what the object is. */
const RESERVED = new Set(['__proto__', 'constructor', 'prototype'])

/** The first field of a value with a name or text nothing may have, as a path and what is wrong; null where there is none. */
export function strangeField(value: unknown, path = ''): { field: string; message: string } | null {
  if (typeof value === 'string')
    return CONTROL.test(value) ? { field: path, message: 'has control characters, which no text has' } : null
  if (typeof value !== 'object' || value === null) return null
  for (const [key, entry] of Object.entries(value)) {
    const field = Array.isArray(value) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`
    if (!Array.isArray(value) && (RESERVED.has(key) || CONTROL.test(key)))
      return { field: JSON.stringify(field).slice(1, -1), message: 'is no name for a field' }
    // The text of a table is read, and refused, line by line.
    const found = key === 'csv' && path === '' ? null : strangeField(entry, field)
    if (found) return found
  }
  return null
}

/** Read bodies within their limits; what goes beyond them is refused before it is taken apart. */
export function bodies(): RequestHandler {
  const reader = (limits: BodyLimits): RequestHandler => {
    const read = express.json({
      limit: limits.bytes,
      verify: (_request: IncomingMessage, _response, bytes) => {
        const fault = tooMuch(bytes, limits)
        if (fault) throw new Problem(413, `The body is too much at once: ${fault}. Nothing was written.`)
      },
    })
    return (request, response, next) =>
      read(request, response, (error?: unknown) => {
        const strange = error || request.body === undefined ? null : strangeField(request.body)
        if (!strange) return next(error)
        next(new Problem(400, `${strange.field}: ${strange.message}. Nothing was written.`, [strange]))
      })
  }
  const files = reader(FILES)
  const usual = reader(USUAL)
  return (request, response, next) =>
    (FILE_PATHS.some((path) => request.path.startsWith(path)) ? files : usual)(request, response, next)
}
