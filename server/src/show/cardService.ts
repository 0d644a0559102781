import { Injectable } from '@nestjs/common'
import { catalogueOf } from '@outfit/core/catalogue'
import { drawFigure } from '@outfit/core/mannequin'
import { CARD, cardEntries, cardSvg } from '@outfit/core/show'
import { notFound } from '../base/problem.ts'
import { CarriersService } from '../catalogue/carriersService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { INNER_FAMILIES } from '../paper/fonts.ts'
import { PictureService } from './pictureService.ts'

@Injectable()
export class CardService {
  constructor(
    private readonly rosters: RosterService,
    private readonly catalogue: CatalogueService,
    private readonly carriers: CarriersService,
    private readonly pictures: PictureService,
  ) {}

  /** The card of a take as SVG. With `embedFonts` it carries its fonts; the rasteriser has its own. */
  async svg(outfitId: string, takeId: string | undefined, embedFonts: boolean): Promise<{ svg: string; name: string }> {
    const outfit = await this.rosters.outfit(outfitId)
    const take = takeId
      ? outfit.takes.find((t) => t.id === takeId)
      : (outfit.takes.find((t) => t.chosen) ?? outfit.takes[0])
    if (!take) throw notFound('take', takeId ?? 'of this outfit')
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts: outfit.parts, prints: outfit.prints })
    const drawing = drawFigure(take.placements, catalogue)
    const sources = await this.sourcesOf(take.placements.map((p) => p.part))
    const entries = cardEntries(take.placements, catalogue, drawing, (part) => sources.get(part) ?? 'no release known')
    const known = new Set([...sources.values()])
    const svg = cardSvg(
      {
        title: outfit.name,
        subtitle: `${outfit.roster.name} · take ${take.label} · ${Math.round(drawing.height)} mm tall`,
        footer: `${take.placements.length} parts from ${known.size} ${known.size === 1 ? 'source' : 'sources'}. Made with Outfit.`,
        drawing,
        entries,
      },
      embedFonts ? this.pictures.fontCss() : '',
      embedFonts ? undefined : INNER_FAMILIES,
    )
    return { svg, name: outfit.name }
  }

  async png(outfitId: string, takeId: string | undefined): Promise<{ png: Buffer; name: string }> {
    const { svg, name } = await this.svg(outfitId, takeId, false)
    return { png: await this.pictures.png(svg, CARD.width), name }
  }

  /** Best source of each part in words: a release in which it comes, the newest first, else a figure. */
  private async sourcesOf(parts: readonly string[]): Promise<Map<string, string>> {
    const found = await Promise.all(
      [...new Set(parts)].map(async (part): Promise<[string, string] | null> => {
        const { releases, figures } = await this.carriers.of(part)
        // A blind pack brings it by chance alone, so it is named only where nothing else brings it.
        const release = releases.find(({ packs }) => packs === null) ?? releases[0]
        if (release) return [part, `from ${release.name}, ${release.year}`]
        return figures[0] ? [part, `from ${figures[0].name}, ${figures[0].year}`] : null
      }),
    )
    return new Map(found.filter((entry) => entry !== null))
  }
}
