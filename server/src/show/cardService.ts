import { formatLength } from '@outfit/core/base'
import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { inPoints, likenessOf } from '@outfit/core/brief'
import { catalogueOf, type Catalogue, type Drawables, type Level, type Placement } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { partsBought } from '@outfit/core/drawer'
import { houseRulesFor } from '@outfit/core/fitting'
import { drawFigure } from '@outfit/core/mannequin'
import { takeNamed, type OutfitDetail, type Take } from '@outfit/core/roster'
import {
  BESIDE_FIGURE,
  CARD_CHOICES,
  CARD_SIZES,
  cardEntries,
  cardPage,
  cutPhoto,
  faceBox,
  pairPage,
  pairRows,
  type CardChoices,
  type CardPhoto,
  type CardWords,
  type Compared,
  type Page,
  type PairSide,
} from '@outfit/core/show'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { FigureEntity, PhotoEntity } from '../schema/catalogue.ts'
import { OutfitEntity } from '../schema/roster.ts'
import { CutPhotoService } from './cutPhotoService.ts'
import { PartsToldService, type PartsTold } from './partsTold.ts'
import { SettingsService } from '../settings/settingsService.ts'
import type { Picture } from './pictureService.ts'

/** Cards of outfits: what they show, and their pictures. */
@Injectable()
export class CardService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly settings: SettingsService,
    private readonly rosters: RosterService,
    private readonly catalogue: CatalogueService,
    private readonly parts: PartsToldService,
    private readonly cuts: CutPhotoService,
  ) {}

  /** What the card of an outfit shows. */
  async choices(outfit: string): Promise<CardChoices> {
    const found = await this.database
      .getRepository(OutfitEntity)
      .findOne({ where: { id: outfit }, select: { id: true, card: true } })
    if (!found) throw notFound('outfit', outfit)
    return { ...CARD_CHOICES, credits: (await this.settings.all()).maker, ...found.card }
  }

  /** Keep what the card of an outfit shows. */
  async choose(outfit: string, card: CardChoices): Promise<void> {
    await this.refuseUnkept(card.photo)
    await this.writer.transaction(async (db) => {
      const { affected } = await db.update(OutfitEntity, { id: outfit }, { card: { ...card } })
      if (!affected) throw notFound('outfit', outfit)
    })
  }

  /** Whether the ground of a photo as it is cut tells what light lies on it, so that this can be evened out. */
  async light(photo: CardPhoto): Promise<{ told: boolean }> {
    await this.refuseUnkept(photo)
    return { told: (await this.cuts.lightOf(photo)) !== null }
  }

  /** Refuse a photo that is not kept here, or is of another size. */
  private async refuseUnkept(photo: CardChoices['photo']): Promise<void> {
    if (!photo) return
    const { hash, width, height } = photo
    if (await this.database.getRepository(PhotoEntity).existsBy({ hash, width, height })) return
    throw new Problem(400, 'The photo of this card is not kept here. Bring it in again.', [
      { field: 'photo.hash', message: `must be of a kept photo of ${width} × ${height} pixels` },
    ])
  }

  /** The card of a take; what is not asked for is as it was kept. A draft has fewer pixels in its photo. */
  async card(
    outfitId: string,
    takeId: string | undefined,
    { draft = false, ...asked }: Partial<CardChoices> & { draft?: boolean } = {},
  ): Promise<Picture> {
    const [outfit, kept] = await Promise.all([this.rosters.outfit(outfitId), this.choices(outfitId)])
    const choices = { ...kept, ...asked }
    const take = takeId ? outfit.takes.find((t) => t.id === takeId) : takeNamed(outfit.takes, null)
    if (!take) throw notFound('take', takeId ?? 'of this outfit')
    const other = await this.beside(choices.beside, outfit, take)
    const catalogue = catalogueOf({
      ...(await this.catalogue.basics()),
      parts: [...outfit.parts, ...(other?.parts ?? [])],
      prints: [...outfit.prints, ...(other?.prints ?? [])],
    })
    const { placements } = take
    const drawing = drawFigure(placements, catalogue, { view: choices.view })
    const shown = choices.picture === 'photo' ? choices.photo : null
    const photo = shown && cutPhoto(shown, drawing, faceBox(drawing), await this.cuts.cut(shown, draft))
    const picture = { drawing, ...(photo ? { photo } : {}) }
    const worn = placements.map(({ part }) => part)
    const told = await this.parts.of([...worn, ...(other?.placements ?? []).map(({ part }) => part)])
    const words = {
      title: outfit.name,
      subtitle: `${outfit.roster.name} · take ${take.label} · ${formatLength(Math.round(drawing.height))} tall`,
      footer: footerOf(placements, told, choices.prices ? houseRulesFor(outfit).takingApart : null),
      note: choices.note,
      credits: choices.credits,
    }
    const page = other
      ? pairOf(
          outfit,
          { ...words, subtitle: outfit.roster.name },
          other,
          { take, placements, ...picture },
          { catalogue, told, choices },
        )
      : cardPage(
          {
            ...words,
            ...picture,
            entries: cardEntries(placements, catalogue, photo ?? drawing, told.told, { altered: choices.altered }),
          },
          choices,
        )
    return { pages: [page], name: outfit.name }
  }

  /** What stands beside a take: another of the outfit, or a released figure. Null where it stands alone, or what stood there is gone. */
  private async beside(beside: string, outfit: OutfitDetail, take: Take): Promise<Beside | null> {
    if (beside.startsWith(BESIDE_FIGURE)) {
      const code = beside.slice(BESIDE_FIGURE.length)
      const figure = await this.database.getRepository(FigureEntity).findOneBy({ code })
      if (!figure) return null
      const { worn, parts, prints } = await this.catalogue.dressed([code])
      return { label: `${figure.name}, as sold`, placements: worn.get(code) ?? [], parts, prints }
    }
    const other = outfit.takes.find(({ id }) => id === beside && id !== take.id)
    return other ? { label: `Take ${other.label}`, placements: other.placements, parts: [], prints: [] } : null
  }
}

/** What stands beside a take on its card, with what it takes to draw it. */
interface Beside extends Drawables {
  label: string
  placements: readonly Placement[]
}

/** The card of a take beside something else: before it, or what it comes from. */
function pairOf(
  outfit: OutfitDetail,
  words: CardWords,
  before: Beside,
  after: Compared & { take: Take },
  { catalogue, told, choices }: { catalogue: Catalogue; told: PartsTold; choices: CardChoices },
): Page {
  const { view, prices } = choices
  const { brief } = outfit
  const { takingApart } = houseRulesFor(outfit)
  const other = { placements: before.placements, drawing: drawFigure(before.placements, catalogue, { view }) }
  const sideOf = ({ placements, ...picture }: Compared, label: string): PairSide => ({
    drawing: picture.drawing,
    ...(picture.photo ? { photo: picture.photo } : {}),
    label,
    facts: [
      `${formatLength(Math.round(picture.drawing.height))} tall`,
      ...(brief.wishes.length > 0
        ? [`likeness ${inPoints(likenessOf(placements, brief, catalogue).milli)} of 100`]
        : []),
    ],
  })
  return pairPage(
    {
      ...words,
      ...pairRows(
        [other, after],
        catalogue,
        { told: told.told, costs: (parts) => told.costs(parts, takingApart) },
        { altered: choices.altered, prices },
      ),
      sides: [sideOf(other, before.label), sideOf(after, `Take ${after.take.label}`)],
    },
    choices,
    CARD_SIZES[choices.size],
  )
}

/** How many parts from how many sources, and what they cost where what is bought comes apart as far as `level`; null for no prices. */
function footerOf(placements: readonly Placement[], told: PartsTold, level: Level | null): string {
  const worn = placements.map(({ part }) => part)
  const sources = new Set(worn.filter((part) => told.hasSource(part)).map((part) => told.told(part).source)).size
  return [
    `${counted(placements.length, 'part')} from ${counted(sources, 'source')}.`,
    ...(level === null ? [] : [priceLine([{ bought: partsBought(placements), level }], told)]),
    'Made with Outfit.',
  ].join(' ')
}

/** "1 part", "3 parts". */
export const counted = (count: number, word: string) => `${count} ${word}${count === 1 ? '' : 's'}`

/** What the parts of some figures cost, as far as somebody sells them, and of which day that is; how far what is bought for each comes apart. */
export function priceLine(
  figures: readonly { bought: readonly string[]; level: Level }[],
  { costs, price, pricedOn }: Pick<PartsTold, 'costs' | 'price' | 'pricedOn'>,
): string {
  const all = figures.map(({ bought, level }) => costs(bought, level))
  const unsold = all.reduce((total, one) => total + one.unsold, 0)
  const sum = all.reduce((total, one) => total + one.money, 0)
  // Whoever adds the parts up would come to more.
  const singly = figures.flatMap(({ bought }) => bought).reduce((total, part) => total + (price(part) ?? 0), 0)
  const asOne = sum === singly ? '' : ', some pieces bought as one'
  return `${homeMoney(sum)} at the lowest prices of ${pricedOn}${asOne}, without shipping${
    unsold > 0 ? `; ${counted(unsold, 'part')} not for sale` : ''
  }.`
}
