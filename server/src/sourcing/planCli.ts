import { planSourcing, readProblem } from '@outfit/core/sourcing'
import { problemCli } from '../solver/problemCli.ts'

/** `npm run --silent plan -- problem.json`. */
await problemCli(process.argv[2], readProblem, planSourcing)
