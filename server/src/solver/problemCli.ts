import { readFileSync } from 'node:fs'
import { BadProblem, type PlanOptions } from '@outfit/core/sourcing'
import { solveAside } from './asideSolver.ts'
import { loadHighsSolver } from './highsSolver.ts'

/**
 * The command line of a solver: read the problem in a file, `-` for standard input, and print its plan as JSON on standard
 * output; progress goes to standard error. Exit 2 with one line for bad input.
 */
export async function problemCli<P>(
  path: string | undefined,
  read: (value: unknown) => P,
  plan: (problem: P, options: Pick<PlanOptions, 'solve' | 'solveAside' | 'now' | 'onProgress'>) => object,
): Promise<void> {
  if (!path) refuse('Give the path of a problem file, or - for standard input.')
  const problem = readFrom(path, read)
  let last = ''
  const found = plan(problem, {
    solve: await loadHighsSolver(),
    solveAside,
    now: () => performance.now() / 1000,
    onProgress: ({ best, bound }) => {
      const line = `best ${best ?? '–'}, at least ${bound === null ? '–' : Math.floor(bound)}`
      if (line !== last) process.stderr.write(`${line}\n`)
      last = line
    },
  })
  process.stdout.write(`${JSON.stringify(found, null, 2)}\n`)
}

function readFrom<P>(path: string, read: (value: unknown) => P): P {
  let text: string
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8')
  } catch (error) {
    return refuse(`Cannot read ${path}: ${(error as Error).message}`)
  }
  try {
    return read(JSON.parse(text))
  } catch (error) {
    if (error instanceof BadProblem) return refuse(error.message)
    return refuse(`${path} is not JSON: ${(error as Error).message}`)
  }
}

function refuse(message: string): never {
  process.stderr.write(`${message.replace(/\s+/g, ' ')}\n`)
  process.exit(2)
}
