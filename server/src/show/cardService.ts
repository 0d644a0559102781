import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { catalogueOf } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { isCopy } from '@outfit/core/drawer'
import { drawFigure } from '@outfit/core/mannequin'
import { takeNamed } from '@outfit/core/roster'
import { CARD_CHOICES, cardEntries, cardPage, cutPhoto, faceBox, type CardChoices } from '@outfit/core/show'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { PhotoEntity } from '../schema/catalogue.ts'
import { OutfitEntity } from '../schema/roster.ts'
import { CutPhotoService } from './cutPhotoService.ts'
import { PartsToldService } from './partsTold.ts'
import { SettingsService } from '../settings/settingsService.ts'
import type { Picture } from './pictureService.ts'

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

  /** Refuse a photo that is not kept here, or is of another size. */
  private async refuseUnkept(photo: CardChoices['photo']): Promise<void> {
    if (!photo) return
    const { hash, width, height } = photo
    if (await this.database.getRepository(PhotoEntity).existsBy({ hash, width, height })) return
    throw new Problem(400, 'The photo of this card is not kept here. Bring it in again.', [
      { field: 'photo.hash', message: `must be of a kept photo of ${width} × ${height} pixels` },
    ])
  }

  /** The card of a take; what `asked` does not say is as it was kept. */
  async card(outfitId: string, takeId: string | undefined, asked: Partial<CardChoices> = {}): Promise<Picture> {
    const [outfit, kept] = await Promise.all([this.rosters.outfit(outfitId), this.choices(outfitId)])
    const choices = { ...kept, ...asked }
    const take = takeId ? outfit.takes.find((t) => t.id === takeId) : takeNamed(outfit.takes, null)
    if (!take) throw notFound('take', takeId ?? 'of this outfit')
    const { placements } = take
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts: outfit.parts, prints: outfit.prints })
    const drawing = drawFigure(placements, catalogue, { view: choices.view })
    const worn = placements.map(({ part }) => part)
    const told = await this.parts.of(worn)
    const shown = choices.picture === 'photo' ? choices.photo : null
    const photo = shown && cutPhoto(shown, drawing, faceBox(drawing), await this.cuts.cut(shown))
    const sources = new Set(worn.filter((part) => told.hasSource(part)).map((part) => told.told(part).source)).size
    const page = cardPage(
      {
        title: outfit.name,
        subtitle: `${outfit.roster.name} · take ${take.label} · ${Math.round(drawing.height)} mm tall`,
        footer: [
          `${counted(placements.length, 'part')} from ${counted(sources, 'source')}.`,
          // A copy made by others is not bought.
          ...(choices.prices
            ? [
                priceLine(
                  placements.filter((one) => !isCopy(one)).map(({ part }) => part),
                  told,
                ),
              ]
            : []),
          'Made with Outfit.',
        ].join(' '),
        note: choices.note,
        credits: choices.credits,
        drawing,
        ...(photo ? { photo } : {}),
        entries: cardEntries(placements, catalogue, photo ?? drawing, told.told, { altered: choices.altered }),
      },
      choices,
    )
    return { pages: [page], name: outfit.name }
  }
}

export const counted = (count: number, word: string) => `${count} ${word}${count === 1 ? '' : 's'}`

/** What parts cost singly, as far as somebody sells them, and of which day that is. */
export function priceLine(
  parts: readonly string[],
  { price, pricedOn }: { price(part: string): number | undefined; pricedOn: string },
): string {
  const prices = parts.map(price).filter((one) => one !== undefined)
  const unsold = parts.length - prices.length
  const sum = prices.reduce((total, one) => total + one, 0)
  return `${homeMoney(sum)} at the lowest single prices of ${pricedOn}, without shipping${
    unsold > 0 ? `; ${counted(unsold, 'part')} not for sale` : ''
  }.`
}
