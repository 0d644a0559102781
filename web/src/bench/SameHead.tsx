import { partLabel, type Catalogue, type Placement } from '@outfit/core/catalogue'
import { headsAgree, withHead, type Company } from '@outfit/core/roster'
import { rosterApi } from '../data/rosterApi.ts'
import { Button } from '../ui/Button.tsx'
import { tell, tellError } from '../ui/tell.ts'

interface SameHeadProps {
  placements: readonly Placement[]
  company: Company | undefined
  roster: string
  catalogue: Catalogue
}

/** When a character gets another head in one outfit, an offer to give it in all of them. */
export function SameHead({ placements, company, roster, catalogue }: SameHeadProps) {
  const [wearHeads, { isLoading }] = rosterApi.endpoints.wearHeads.useMutation()
  const head = placements.find(({ slot }) => slot === 'head')?.part
  const part = catalogue.parts.get(head ?? '')
  if (!company || !head || !part) return null
  const { self } = company
  const unlike = company.others.filter(({ character, years, placements: worn }) => {
    const other = worn.find(({ slot }) => slot === 'head')?.part
    return (
      character === self.character &&
      other !== undefined &&
      !headsAgree(self.heads, { head, years: self.years }, { head: other, years })
    )
  })
  if (unlike.length === 0) return null
  const give = async () => {
    const answer = await wearHeads({
      roster,
      outfits: unlike.map(({ outfit, placements: worn }) => ({
        outfit,
        placements: withHead(worn, head).filter(({ slot }) => slot === 'head'),
      })),
    })
    if (answer.error) return tellError(answer.error)
    const { before } = answer.data
    tell(`${self.character} has ${partLabel(catalogue, part)} in every outfit.`, () =>
      wearHeads({ roster, outfits: before }),
    )
  }
  return (
    <p className="mt-1.5 text-[13.5px]">
      <span className="text-soft">
        {unlike.map(({ name }) => name).join(', ')} {unlike.length === 1 ? 'has' : 'have'} another head.
      </span>{' '}
      <Button className="px-2 py-0.5 text-[13.5px]" disabled={isLoading} onClick={() => void give()}>
        Wear this one there too
      </Button>
    </p>
  )
}
