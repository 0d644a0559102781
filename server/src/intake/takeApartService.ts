import { Injectable } from '@nestjs/common'
import { plainPieces } from '@outfit/core/catalogue'
import { Changes } from '../base/changes.ts'
import { notFound, Problem } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { ComponentEntity, PartEntity } from '../schema/catalogue.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'
import { ownAndStarter } from './ownAndStarter.ts'
import { ownMoulds, PartMaker } from './partMaker.ts'

/** Takes an assembly apart of which nobody has told the pieces: they are made as plain as it is. */
@Injectable()
export class TakeApartService {
  constructor(
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly followers: TableFollowers,
  ) {}

  /** The parts that were made for it. What lies of it in the drawer lies there as its pieces from then on. */
  async takeApart(code: string): Promise<{ made: string[] }> {
    const made = await this.writer.transaction(async (db) => {
      const part = await db.findOneBy(PartEntity, { code })
      if (!part) throw notFound('part', code)
      if (await db.existsBy(ComponentEntity, { assembly: code }))
        throw new Problem(409, `It is told already what ${part.name} is made of. Nothing was changed.`)
      const { palette, moulds } = await ownAndStarter(db)
      const mould = moulds.find((one) => one.code === part.mould)!
      const pieces = plainPieces(mould, moulds).map((piece) => piece.mould.code)
      await ownMoulds(db, new Set([part.mould, ...pieces]), moulds)
      const maker = new PartMaker(db, moulds, new Map(palette.map((colour) => [colour.code, colour])))
      if ((await maker.makePieces(part)) === 0)
        throw new Problem(409, `${part.name} is one piece and does not come apart. Nothing was changed.`)
      await this.followers.written(db, 'parts', [...maker.made, code])
      return maker.made
    })
    this.changes.tell('catalogue', 'drawer')
    return { made }
  }
}
