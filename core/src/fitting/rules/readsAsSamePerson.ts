import { againstSamePerson } from '../../ages/index.ts'
import { headsAgree } from '../../roster/index.ts'
import { rulesOf, wornIn, type Pin, type Rule } from '../pin.ts'

/**
 * The second half of `samePersonSameHead`: one person at several ages may have several heads, where the character says so;
 * they still have to read as the same: one skin, and what an age does not take away. Told once, of the outfit it is most at
 * odds with.
 */
export const readsAsSamePerson: Rule = (placements, context) => {
  const { company, catalogue } = context
  const [head] = wornIn(placements, 'head', context)
  if (!company || !head || !rulesOf(context).sameHead) return []
  const own = { head: head.part.code, years: company.self.years }
  const unlike = company.others
    .filter(({ character }) => character === company.self.character)
    .flatMap(({ name, years, placements: worn }) => {
      const [other] = wornIn(worn, 'head', context)
      if (!other || other.part.code === head.part.code) return []
      if (!headsAgree(company.self.heads, own, { head: other.part.code, years })) return []
      const against = againstSamePerson(head.part, other.part, catalogue)
      return against.length > 0 ? [{ name, against }] : []
    })
    .sort((a, b) => b.against.length - a.against.length)
  const [first] = unlike
  if (!first) return []
  const pin: Pin = {
    rule: 'reads-as-same-person',
    severity: 'notice',
    slots: ['head'],
    title: `No longer reads as ${company.self.character}`,
    detail: `Beside ${first.name}: ${first.against.join('; ')}`,
    remedies: [],
  }
  return [pin]
}
