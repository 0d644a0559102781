import type { IntakeUndo } from '../schema/intake.ts'

/** What a list is taken back by, where it made or changed nothing but what is named. */
export const undoOf = (more: Partial<IntakeUndo>): IntakeUndo => ({
  ...{ releases: [], figures: [], as: {}, sellers: { made: [], changed: [] }, colours: { made: [], changed: [] } },
  ...more,
})
