import { Injectable } from '@nestjs/common'
import { inPoints, likenessOf } from '@outfit/core/brief'
import { catalogueOf, partLabel } from '@outfit/core/catalogue'
import { drawFigure } from '@outfit/core/mannequin'
import { compareTakes } from '@outfit/core/roster'
import { printedWide, sideBySidePage } from '@outfit/core/show'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RosterService } from '../roster/rosterService.ts'
import type { Picture } from './pictureService.ts'

/** Takes of an outfit side by side, as a picture: before and after, or two to four that are voted on. */
@Injectable()
export class ComparedService {
  constructor(
    private readonly rosters: RosterService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** `width` is how many millimetres wide it is printed; as wide as it is without. */
  async compared(outfitId: string, ids: readonly string[], width?: number): Promise<Picture> {
    const outfit = await this.rosters.outfit(outfitId)
    const takes = ids.map((id) => {
      const take = outfit.takes.find((t) => t.id === id)
      if (!take) throw notFound('take', id)
      return take
    })
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts: outfit.parts, prints: outfit.prints })
    const rows = compareTakes(takes.map(({ placements }) => placements)).filter(({ alike }) => !alike)
    const name = `${outfit.name}, ${takes.map(({ label }) => label).join(' and ')}`
    const columns = takes.map(({ label, placements, reason, chosen }, i) => {
      const differing = rows.map(({ label: row, worn }) => {
        const part = catalogue.parts.get((worn[i]!.find(({ slot }) => slot !== 'hips') ?? worn[i]![0])?.part ?? '')
        return `${row}: ${part ? partLabel(catalogue, part) : 'nothing'}`
      })
      const { milli } = likenessOf(placements, outfit.brief, catalogue)
      return {
        label: `Take ${label}${chosen ? ', chosen' : ''}`,
        lines: [`Likeness ${inPoints(milli)} of 100`, ...(reason ? [`“${reason}”`] : []), ...differing],
        front: drawFigure(placements, catalogue),
        back: drawFigure(placements, catalogue, { view: 'back' }),
      }
    })
    const page = sideBySidePage({ title: outfit.name, footer: `${outfit.roster.name}. Made with Outfit.`, columns })
    return { pages: [width ? printedWide(page, width) : page], name }
  }
}
