import { formatLength } from '@outfit/core/base'
import { Injectable } from '@nestjs/common'
import { createHash } from 'node:crypto'
import { DataSource, In } from 'typeorm'
import { catalogueOf, type Catalogue } from '@outfit/core/catalogue'
import { partsBought } from '@outfit/core/drawer'
import { drawFigure } from '@outfit/core/mannequin'
import { homeMoney } from '@outfit/core/market'
import {
  cardEntries,
  MOST_ON_SHEET,
  recipeOf,
  SHARE_SCRIPT,
  sharePage,
  SHEET_CHOICES,
  sheetPages,
  type CardChoices,
  type IndexLine,
  type Recipe,
  type SheetChoices,
  type SheetContent,
} from '@outfit/core/show'
import { SharesService, type Asker } from '../allotment/sharesService.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { stickersOn } from '../roster/stickers.ts'
import { OutfitEntity, RosterEntity } from '../schema/roster.ts'
import { counted, priceLine } from './cardService.ts'
import { PartsToldService, type PartsTold } from './partsTold.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { embeddedFontCss } from '../paper/fonts.ts'
import type { Picture } from './pictureService.ts'

/** The outfits of a roster that are shown, with all that is needed to draw and to tell of them. */
interface Shown {
  roster: RosterEntity
  outfits: Asker[]
  catalogue: Catalogue
  told: PartsTold
  /** What cards of outfits show, by id, where it was chosen. */
  cards: ReadonlyMap<string, CardChoices>
}

/** What is made of a whole roster to be shown: the breakdown sheet, the page to share, the recipe. */
@Injectable()
export class SheetService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly settings: SettingsService,
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly parts: PartsToldService,
  ) {}

  /** What the sheet of a roster shows. */
  async choices(roster: string): Promise<SheetChoices> {
    const found = await this.database
      .getRepository(RosterEntity)
      .findOne({ where: { id: roster }, select: { id: true, sheet: true } })
    if (!found) throw notFound('roster', roster)
    const { maker, paper } = await this.settings.all()
    return { ...SHEET_CHOICES, credits: maker, paper, ...found.sheet }
  }

  /** Keep what the sheet of a roster shows. */
  async choose(roster: string, sheet: SheetChoices): Promise<void> {
    await this.writer.transaction(async (db) => {
      const { affected } = await db.update(RosterEntity, { id: roster }, { sheet: { ...sheet } })
      if (!affected) throw notFound('roster', roster)
    })
  }

  /** The sheet page by page; what `asked` does not say is as it was kept. */
  async sheet(roster: string, outfits: string[] | undefined, asked: Partial<SheetChoices>): Promise<Picture> {
    const [shown, kept] = await Promise.all([this.shown(roster, outfits), this.choices(roster)])
    const choices = { ...kept, ...asked }
    return { pages: sheetPages(contentOf(shown, choices), choices), name: `${shown.roster.name}, parts` }
  }

  /** The recipe of a roster, to hand on how its figures are made. */
  async recipe(roster: string, outfits?: string[]): Promise<{ recipe: Recipe; name: string }> {
    const [shown, { credits }] = await Promise.all([this.shown(roster, outfits), this.choices(roster)])
    return { recipe: recipeIn(shown, credits), name: `${shown.roster.name}.recipe.json` }
  }

  /** The page to share, a single file. */
  async page(roster: string, outfits?: string[]): Promise<{ html: string; name: string }> {
    const [shown, choices] = await Promise.all([this.shown(roster, outfits), this.choices(roster)])
    const { name } = shown.roster
    const content = contentOf(shown, choices)
    const html = sharePage(content, choices, {
      recipe: Buffer.from(JSON.stringify(recipeIn(shown, choices.credits))).toString('base64'),
      fileName: `${name}.recipe.json`,
      fontCss: embeddedFontCss(JSON.stringify([content, choices])),
      scriptHash: createHash('sha256').update(SHARE_SCRIPT).digest('base64'),
    })
    return { html, name: `${name}.html` }
  }

  private async roster(id: string): Promise<RosterEntity> {
    const roster = await this.database.getRepository(RosterEntity).findOneBy({ id })
    if (!roster) throw notFound('roster', id)
    return roster
  }

  private async shown(id: string, asked?: string[]): Promise<Shown> {
    const roster = await this.roster(id)
    const all = (await this.shares.asking()).filter((one) => one.roster.id === id)
    const unknown = asked?.find((outfit) => !all.some((one) => one.outfit.id === outfit))
    if (unknown !== undefined) throw notFound('outfit', unknown)
    const outfits = all.filter(({ outfit, placements }) =>
      asked ? asked.includes(outfit.id) && placements.length > 0 : placements.length > 0,
    )
    if (outfits.length === 0)
      throw new Problem(409, 'Nobody of this roster is dressed yet, so there is nothing to show.', [])
    if (outfits.length > MOST_ON_SHEET)
      throw new Problem(
        409,
        `A sheet takes at most ${MOST_ON_SHEET} outfits, and ${outfits.length} are dressed. Choose some of them.`,
        [{ field: 'outfits', message: `must be at most ${MOST_ON_SHEET}` }],
      )
    const worn = outfits.flatMap(({ placements }) => placements)
    const parts = await this.catalogue.parts(worn.map(({ part }) => part))
    const prints = await this.catalogue.printsOn(parts, stickersOn(worn))
    const chosen = await this.database.getRepository(OutfitEntity).find({
      where: { id: In(outfits.map(({ outfit }) => outfit.id)) },
      select: { id: true, card: true },
    })
    return {
      roster,
      outfits,
      cards: new Map(chosen.flatMap(({ id: own, card }) => (card ? [[own, card] as const] : []))),
      catalogue: catalogueOf({ ...(await this.catalogue.basics()), parts, prints }),
      told: await this.parts.of(worn.map(({ part }) => part)),
    }
  }
}

const recipeIn = ({ outfits, catalogue, told, cards }: Shown, credits: string): Recipe =>
  recipeOf(
    // What whoever made it says stands on its card.
    outfits.map(({ name, outfit, placements }) => {
      const card = cards.get(outfit.id)
      return { name, note: card?.note ?? '', credits: card?.credits || credits, placements }
    }),
    catalogue,
    told.sources,
  )

function contentOf({ roster, outfits, catalogue, told }: Shown, choices: SheetChoices): SheetContent {
  const placed = outfits.flatMap(({ placements }) => placements)
  const worn = placed.map(({ part }) => part)
  const figures = outfits.map(({ placements, level }) => ({ bought: partsBought(placements), level }))
  const bought = figures.flatMap((figure) => figure.bought)
  const sources = new Set(worn.filter((part) => told.hasSource(part)).map((part) => told.told(part).source)).size
  const prices = priceLine(figures, told)
  return {
    title: roster.name,
    facts: [
      `${counted(outfits.length, 'figure')} of ${counted(worn.length, 'part')} from ${counted(sources, 'source')}`,
      ...(choices.prices ? [prices] : []),
    ],
    footer: `${roster.name} · made with Outfit`,
    cards: outfits.map(({ name, outfit, placements }) => {
      const drawing = drawFigure(placements, catalogue)
      return {
        faction: outfit.faction,
        card: {
          title: name,
          subtitle: `${counted(placements.length, 'part')} · ${formatLength(Math.round(drawing.height))} tall`,
          footer: '',
          note: '',
          credits: '',
          drawing,
          entries: cardEntries(placements, catalogue, drawing, told.told, { altered: choices.altered }),
        },
      }
    }),
    lines: linesOf(bought, catalogue, told),
    total: prices,
  }
}

/** Parts that are named alike and look alike share a line, as on cards. */
function linesOf(worn: readonly string[], catalogue: Catalogue, told: PartsTold): IndexLine[] {
  const lines = new Map<string, IndexLine & { each: number | undefined }>()
  for (const code of worn) {
    const part = catalogue.parts.get(code)
    if (!part) continue
    const known = lines.get(code)
    if (known) {
      known.qty++
      continue
    }
    const colour = catalogue.colours.get(part.colours[0] ?? '') ?? { name: 'no colour', hex: '#FFFFFF' }
    const { source, price } = told.told(code)
    lines.set(code, { name: part.name, colour, qty: 1, source, price, sum: '', each: told.price(code) })
  }
  return [...lines.values()]
    .map(({ each, ...line }) => ({
      ...line,
      price: each === undefined ? 'not for sale' : homeMoney(each),
      sum: each === undefined ? '' : homeMoney(each * line.qty),
    }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en') || a.colour.name.localeCompare(b.colour.name, 'en'))
}
