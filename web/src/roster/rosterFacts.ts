import { HOUSE_RULES, houseRulesOf, SCHOOL_WORDS, SWITCH_WORDS, switchesOver, type Switches } from '@outfit/core/roster'
import { type PinSummary, type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'

/** "Exchange only, but for faces and main colours". */
export function rulesInShort({ rules, switches }: Pick<RosterShelf, 'rules' | 'switches'>): string {
  const { school } = houseRulesOf(rules)
  const changed = Object.keys(switchesOver(HOUSE_RULES[school], switches)) as (keyof Switches)[]
  const { label } = SCHOOL_WORDS[school]
  if (changed.length === 0) return label
  const words = changed.map((key) => SWITCH_WORDS[key].label.toLowerCase())
  return `${label}, but for ${words.length > 1 ? `${words.slice(0, -1).join(', ')} and ` : ''}${words.at(-1)}`
}

/** A kind of pin with the outfits it sticks in. */
export interface PinGroup {
  severity: PinSummary['severity']
  title: string
  stuck: { outfit: ShelfOutfit; detail: string }[]
}

/** Pins of a roster by what they say: problems first, then what most outfits have. */
export function pinGroups(outfits: readonly ShelfOutfit[]): PinGroup[] {
  const groups = new Map<string, PinGroup>()
  for (const outfit of outfits)
    for (const { severity, title, detail } of outfit.pins) {
      const key = `${severity} ${title}`
      const group = groups.get(key) ?? { severity, title, stuck: [] }
      group.stuck.push({ outfit, detail })
      groups.set(key, group)
    }
  const rank = { problem: 0, notice: 1, hint: 2 }
  return [...groups.values()].sort(
    (a, b) => rank[a.severity] - rank[b.severity] || b.stuck.length - a.stuck.length || (a.title < b.title ? -1 : 1),
  )
}
