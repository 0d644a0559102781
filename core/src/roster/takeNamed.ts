import type { Take } from './contract.ts'

/** The take that goes by a label; without one, or with one there is not, the chosen take. */
export function takeNamed(takes: readonly Take[], label: string | null): Take | undefined {
  return takes.find((take) => take.label === label) ?? takes.find((take) => take.chosen) ?? takes[0]
}
