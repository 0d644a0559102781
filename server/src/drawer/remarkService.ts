import { Injectable } from '@nestjs/common'
import { monotonicFactory } from 'ulid'
import { notFound } from '../base/problem.ts'
import { Writer } from '../base/writer.ts'
import { PartEntity } from '../schema/catalogue.ts'
import { OutfitEntity } from '../schema/roster.ts'
import type { NewRemark } from './dto.ts'
import { RemarkEntity } from '../schema/drawer.ts'

const ulid = monotonicFactory()

/** What is worth remembering of single parts and figures: misprints, faults, pictures. */
@Injectable()
export class RemarkService {
  constructor(private readonly writer: Writer) {}

  /** Write something down about a part or an outfit; its id. 404 where that is not there. */
  make(remark: NewRemark, at: string): Promise<{ id: string }> {
    return this.writer.transaction(async (db) => {
      if (remark.part !== null && !(await db.existsBy(PartEntity, { code: remark.part })))
        throw notFound('part', remark.part)
      if (remark.outfit !== null && !(await db.existsBy(OutfitEntity, { id: remark.outfit })))
        throw notFound('outfit', remark.outfit)
      const id = ulid()
      await db.insert(RemarkEntity, { ...remark, id, at })
      return { id }
    })
  }
}
