/** The first things anybody does in a new workspace, in the order in which they lead to a figure that can be bought. */
export const FIRST_STEPS = ['dressed', 'briefed', 'owned', 'priced', 'ordered'] as const
export type FirstStep = (typeof FIRST_STEPS)[number]

/** Which of them were done, as far as what there is tells, and an outfit to go on with; null where there is none. */
export interface FirstSteps {
  done: Record<FirstStep, boolean>
  outfit: string | null
}
