export * from './ballot.ts'
export { favouriteOf, tallyOf, type Tallied, type Tally } from './tally.ts'
export { BALLOT_SCRIPT, ballotPage } from './ballotPage.ts'
