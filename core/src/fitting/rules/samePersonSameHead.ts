import { partLabel } from '../../catalogue/index.ts'
import { headsAgree, statedHead } from '../../roster/index.ts'
import { wearing } from '../instead.ts'
import { pinned, rulesOf, wornIn, type Rule } from '../pin.ts'
import { readsAsSamePerson } from './readsAsSamePerson.ts'

/**
 * One person keeps one head in every outfit; which side of it shows may change, and so may the head itself where a series
 * of heads by age says so; those have to read as one person's all the same. The remedies are the head of the other outfit, and the one stated for this age.
 */
export const samePersonSameHead: Rule = (placements, context) => {
  const { company, catalogue } = context
  const [head] = wornIn(placements, 'head', context)
  if (!company || !head || !rulesOf(context).sameHead) return []
  const unlike = company.others
    .filter(({ character }) => character === company.self.character)
    .flatMap(({ name, years, placements: worn }) => {
      const [other] = wornIn(worn, 'head', context)
      const own = { head: head.part.code, years: company.self.years }
      return other && !headsAgree(company.self.heads, own, { head: other.part.code, years })
        ? [{ name, part: other.part }]
        : []
    })
  const [first] = unlike
  if (!first) return readsAsSamePerson(placements, context)
  return [
    pinned(
      {
        rule: 'same-person-same-head',
        severity: 'notice',
        slots: ['head'],
        title: `${company.self.character} has another head elsewhere`,
        detail: `${first.name} wears ${partLabel(catalogue, first.part)}`,
      },
      () => {
        const stated = catalogue.parts.get(statedHead(company.self.heads, company.self.years) ?? '')
        if (stated && stated.code !== head.part.code)
          return [wearing(placements, 'head', stated, context, { words: 'Wear the head stated for this age' })]
        return [wearing(placements, 'head', first.part, context, { words: `Wear the head of ${first.name}` })]
      },
    ),
  ]
}
