import { useSettings } from './settingsApi.ts'

/** Whether single-letter keys are on (WCAG 2.1.4 asks for the switch). */
export const useSingleKeys = (): boolean => useSettings().singleKeys
