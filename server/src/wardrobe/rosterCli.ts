import { planRoster, readRosterProblem } from '@outfit/core/wardrobe'
import { problemCli } from '../solver/problemCli.ts'

/** `npm run --silent roster -- problem.json`. */
await problemCli(process.argv[2], readRosterProblem, planRoster)
