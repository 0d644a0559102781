import { transform } from '@swc/core'
import { readFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { SWC } from './swc.mjs'

/** What `@jest/globals` gives stands ready in the process itself; the package refuses to be loaded outside of Jest's own sandbox. */
const GLOBALS = new URL('./globals.mjs', import.meta.url).href

export const resolve = (specifier, context, next) =>
  specifier === '@jest/globals' ? { url: GLOBALS, shortCircuit: true } : next(specifier, context)

export async function load(url, context, next) {
  if (!/\.tsx?(\?|$)/.test(url)) return next(url, context)
  const file = fileURLToPath(url.split('?')[0])
  const { code } = await transform(await readFile(file, 'utf8'), { ...SWC, filename: file, sourceMaps: 'inline' })
  return { format: 'module', source: code, shortCircuit: true }
}
