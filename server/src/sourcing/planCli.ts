import { readFileSync } from 'node:fs'
import { BadProblem, planSourcing, readProblem } from '@outfit/core/sourcing'
import { loadHighsSolver } from '../solver/highsSolver.ts'

/** `plan problem.json`: the plan on standard output, progress on standard error; exit 2 with one line for bad input. */
async function main(path: string | undefined): Promise<void> {
  if (!path) refuse('Give the path of a problem file, or - for standard input.')
  const problem = read(path)
  let last = ''
  const plan = planSourcing(problem, {
    solve: await loadHighsSolver(),
    now: () => performance.now() / 1000,
    onProgress: ({ best, bound }) => {
      const line = `best ${best ?? '–'}, at least ${bound === null ? '–' : Math.floor(bound)}`
      if (line !== last) process.stderr.write(`${line}\n`)
      last = line
    },
  })
  process.stdout.write(`${JSON.stringify(plan, null, 2)}\n`)
}

function read(path: string) {
  let text: string
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8')
  } catch (error) {
    return refuse(`Cannot read ${path}: ${(error as Error).message}`)
  }
  try {
    return readProblem(JSON.parse(text))
  } catch (error) {
    if (error instanceof BadProblem) return refuse(error.message)
    return refuse(`${path} is not JSON: ${(error as Error).message}`)
  }
}

function refuse(message: string): never {
  process.stderr.write(`${message.replace(/\s+/g, ' ')}\n`)
  process.exit(2)
}

await main(process.argv[2])
