export * from './types.ts'
export * from './contract.ts'
export { readRosterProblem } from './readRosterProblem.ts'
export { planOrBetter, planRoster, type RosterOptions } from './planRoster.ts'
export { settleRoster } from './settleRoster.ts'
export { buyAfter } from './buyAfter.ts'
export { rosterBound } from './rosterBound.ts'
export { supplyOf } from './supply.ts'
export { Wardrobe } from './wardrobe.ts'
export { castFirst } from './castFirst.ts'
export {
  castMembers,
  faceShown,
  holding,
  partsAskedFor,
  type CastMember,
  type CastMembers,
  type MemberAsk,
  type MembersAsk,
} from './castMembers.ts'
export { choicesWorn, problemOfMembers } from './problemOfMembers.ts'
export * from './castReport.ts'
export type { Come } from './whoGetsWhat.ts'
export * from './rosterTask.ts'
