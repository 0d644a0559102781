import type { Collision } from '@outfit/core/roster'

const FIELDS: Readonly<Record<string, string>> = {
  name: 'name',
  faction: 'faction',
  stature: 'stature',
  base: 'starting figure',
  switches: 'house rules',
  switchesReason: 'reason',
  note: 'description',
  budget: 'budget',
  dueOn: 'date',
}

/** What was not changed because another window was quicker: "Otto: faction is Makers by now". */
export function collisionsInWords(collided: readonly Collision[]): string {
  const said = collided.map(({ name, field, now }) => {
    const value = typeof now === 'string' && now !== '' ? now : now === null || now === '' ? 'empty' : 'another'
    return `${name}: ${FIELDS[field] ?? field} is ${value} by now`
  })
  return `Changed elsewhere in the meantime and left so. ${said.join('; ')}.`
}
