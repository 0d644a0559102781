import { Injectable } from '@nestjs/common'
import { catalogueOf } from '@outfit/core/catalogue'
import {
  lineUpPage,
  linedUp,
  MOST_OBJECTS,
  OBJECT_SHAPES,
  poseOf,
  printedWide,
  type ObjectShape,
  type ScaleObject,
} from '@outfit/core/show'
import { notFound, Problem } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { SharesService } from '../allotment/sharesService.ts'
import { stickersOn } from '../roster/stickers.ts'
import type { LineUpQuery } from './lineUpController.ts'
import type { Picture } from './pictureService.ts'

/** Outfits of a roster side by side at their true heights, as a picture. */
@Injectable()
export class LineUpService {
  constructor(
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
  ) {}

  /** The picture of a line-up. 404 where a roster or outfit is not there, 400 by its path where a thing for scale is none. */
  async lineUp(roster: string, query: LineUpQuery): Promise<Picture> {
    const objects = readObjects(query.objects)
    const own = (await this.shares.all()).filter((share) => share.roster.id === roster)
    if (own.length === 0) throw notFound('roster', roster)
    const asked = query.outfits?.split(',').filter(Boolean)
    const unknown = asked?.find((id) => !own.some(({ outfit }) => outfit.id === id))
    if (unknown !== undefined) throw notFound('outfit', unknown)
    const shown = own.filter(({ outfit, placements }) => placements.length > 0 && (!asked || asked.includes(outfit.id)))
    const worn = shown.flatMap(({ placements }) => placements)
    const parts = await this.catalogue.parts(worn.map(({ part }) => part))
    const prints = await this.catalogue.printsOn(parts, stickersOn(worn))
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts, prints })
    const members = shown.map(({ outfit, placements }) =>
      linedUp({ id: outfit.id, name: outfit.name, placements }, catalogue),
    )
    const pose = poseOf(members, objects, query)
    const title = own[0]!.roster.name
    const page = lineUpPage({ title, members, objects, pose, step: query.step })
    return { pages: [query.width ? printedWide(page, query.width) : page], name: `${title}, line-up` }
  }
}

/** Read things for scale; refused by the path of the first fault. */
function readObjects(text: string): ScaleObject[] {
  const refuse = (field: string, message: string): never => {
    throw new Problem(400, `${field}: ${message}.`, [{ field, message }])
  }
  let list: unknown
  try {
    list = JSON.parse(text)
  } catch {
    return refuse('objects', 'must be a JSON list')
  }
  if (!Array.isArray(list) || list.length > MOST_OBJECTS)
    return refuse('objects', `must be a list of at most ${MOST_OBJECTS}`)
  return list.map((entry: Partial<ScaleObject> | null, i) => {
    const path = `objects[${i}]`
    if (typeof entry?.name !== 'string' || entry.name.length > 60) return refuse(`${path}.name`, 'must be a short text')
    if (!OBJECT_SHAPES.includes(entry.shape as ObjectShape))
      return refuse(`${path}.shape`, `must be one of ${OBJECT_SHAPES.join(', ')}`)
    for (const side of ['width', 'height', 'depth'] as const) {
      const value = entry[side]
      if (typeof value !== 'number' || !(value >= (side === 'depth' ? 0 : 1) && value <= 2000))
        return refuse(`${path}.${side}`, 'must be millimetres up to 2000')
    }
    const { name, shape, width, height, depth } = entry as ScaleObject
    return { name, shape, width, height, depth }
  })
}
