import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { placementFaults } from '@outfit/core/anatomy'
import { spareLoose } from '@outfit/core/allotment'
import type { Catalogue, Part } from '@outfit/core/catalogue'
import { homeCurrency } from '@outfit/core/market'
import { matchRecipe, type MatchedOutfit, type RecipeMatch, type RecipeReport } from '@outfit/core/show'
import { SharesService } from '../allotment/sharesService.ts'
import { Changes } from '../base/changes.ts'
import { invalid } from '../base/validation.ts'
import { Writer } from '../base/writer.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { MarketService } from '../market/marketService.ts'
import type { RostersFile } from '../roster/dto.ts'
import { ImportRosters } from '../roster/importRosters.ts'
import { stickersOn } from '../roster/stickers.ts'
import { ColourEntity, MouldEntity, PartEntity, PrintEntity } from '../schema/catalogue.ts'
import { RosterEntity } from '../schema/roster.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { writeRows } from '../tables/tableWriter.ts'
import type { RecipeFile } from './recipeDto.ts'

/** Reads recipes of others: what of them can be built from the own drawer, and what the rest costs. */
@Injectable()
export class RecipeService {
  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly shares: SharesService,
    private readonly market: MarketService,
    private readonly rosters: ImportRosters,
    private readonly followers: TableFollowers,
    private readonly changes: Changes,
  ) {}

  /** Hold a recipe against the catalogue and the loose parts nobody counts on. Writes nothing. */
  async look(recipe: RecipeFile): Promise<RecipeReport> {
    const { outfits, catalogue, made } = await this.match(recipe)
    const shown = outfits.flatMap(({ original, mine }) => [...original, ...mine])
    const parts = [...new Set(shown.map(({ part }) => part))]
      .map((code) => catalogue.parts.get(code))
      .filter((part) => part !== undefined)
    return {
      outfits: outfits.map(({ brief: _brief, ...outfit }) => outfit),
      ...usedBy(parts, stickersOn(shown), catalogue),
      made: {
        parts: made.parts.length,
        moulds: made.moulds.length,
        prints: made.prints.length,
        colours: made.colours.length,
        strangeLayers: made.strangeLayers,
      },
    }
  }

  /**
   * Take a recipe in as a roster: each figure as it was made and, where something loose stands in, out of the own drawer;
   * parts that are not known are made.
   */
  async take(recipe: RecipeFile, name: string): Promise<{ roster: string; outfits: number; parts: number }> {
    const { outfits, made } = await this.match(recipe)
    const known = new Set(
      (await this.database.getRepository(RosterEntity).find({ select: { name: true } })).map((one) => one.name),
    )
    let free = name
    for (let n = 2; known.has(free); n++) free = `${name} ${n}`
    await this.make(made)
    const file = {
      format: 'outfit.rosters',
      version: 1,
      rosters: [
        {
          name: free,
          note: '',
          rules: 'exchange-only',
          currency: homeCurrency(),
          characters: outfits.map((outfit) => ({
            name: outfit.name,
            outfits: [
              {
                name: outfit.name,
                faction: '',
                stature: outfit.brief.stature,
                brief: outfit.brief,
                takes: [
                  { label: 'As made', chosen: true, placements: outfit.original },
                  ...(differs(outfit) ? [{ label: 'My drawer', chosen: false, placements: outfit.mine }] : []),
                ],
              },
            ],
          })),
        },
      ],
    }
    const { outfits: count } = await this.rosters.import(file as unknown as RostersFile)
    const roster = await this.database.getRepository(RosterEntity).findOneByOrFail({ name: free })
    return { roster: roster.id, outfits: count, parts: made.parts.length }
  }

  private async match(recipe: RecipeFile): Promise<RecipeMatch> {
    const [{ catalogue: bare, ofKind }, prints, { shares }, contents, lowest] = await Promise.all([
      this.catalogue.matchable(),
      this.database.getRepository(PrintEntity).find(),
      this.shares.allotment(),
      this.drawer.contents(),
      this.market.lowest(),
    ])
    const catalogue: Catalogue = {
      ...bare,
      prints: new Map(prints.map((print) => [print.code, print])),
      parts: new Map([...ofKind.values()].flatMap((parts) => parts.map((part) => [part.code, part]))),
    }
    const match = matchRecipe(recipe, catalogue, spareLoose(contents, shares), (part) => lowest.get(part))
    refuseUnwearable(match)
    return match
  }

  private async make({ colours, moulds, prints, parts }: RecipeMatch['made']): Promise<void> {
    if (parts.length + colours.length + prints.length === 0) return
    const kinds = new Map((await this.catalogue.basics()).moulds.map(({ code, kind }) => [code, kind]))
    for (const { code, kind } of moulds) kinds.set(code, kind)
    await this.writer.transaction(async (db) => {
      await writeRows(db, ColourEntity, colours)
      await writeRows(db, MouldEntity, moulds)
      await writeRows(db, PrintEntity, prints)
      await writeRows(
        db,
        PartEntity,
        parts.map(({ components: _none, ...part }) => ({ ...part, kind: kinds.get(part.mould)! })),
      )
      for (const [table, rows] of [
        ['colours', colours],
        ['moulds', moulds],
        ['prints', prints],
        ['parts', parts],
      ] as const)
        if (rows.length > 0)
          await this.followers.written(
            db,
            table,
            rows.map(({ code }) => code),
          )
    })
    this.changes.tell('catalogue')
  }
}

/** Refuse what nobody can wear, such as a hat on the feet, by the path of the first fault. */
function refuseUnwearable({ outfits, catalogue }: RecipeMatch): void {
  const faults = outfits.flatMap(({ original }, o) =>
    placementFaults(original, catalogue).map(({ index, field, message }) => ({
      field: `outfits[${o}].placements[${index}].${field}`,
      message,
    })),
  )
  if (faults.length > 0) throw invalid(faults)
}

const differs = ({ original, mine }: MatchedOutfit) =>
  mine.length > 0 && JSON.stringify(mine) !== JSON.stringify(original)

/** The parts with the moulds, prints and colours they are of. */
function usedBy(parts: readonly Part[], stickers: readonly string[], { moulds, prints, colours }: Catalogue) {
  const some = <T>(codes: readonly (string | null)[], from: ReadonlyMap<string, T>) =>
    [...new Set(codes)].flatMap((code) => (code === null ? [] : (from.get(code) ?? [])))
  const painted = some([...parts.map(({ print }) => print), ...stickers], prints)
  return {
    parts: [...parts],
    moulds: some(
      parts.map(({ mould }) => mould),
      moulds,
    ),
    prints: painted,
    // Prints name colours in their settings, so all are needed that could be.
    colours: [...colours.values()],
  }
}
