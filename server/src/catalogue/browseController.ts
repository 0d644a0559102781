import { Controller, Get, Header, Param, Post, Query, Req, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsIn, IsOptional } from 'class-validator'
import { FileAnswer, FileBody, Text } from '../base/fields.ts'
import type { Request } from 'express'
import { DataSource, In, Like, type EntityTarget } from 'typeorm'
import { PART_KINDS, type PartKind } from '@outfit/core/catalogue'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from './catalogueService.ts'
import {
  CaseContentEntity,
  FigureEntity,
  PrintEntity,
  ReleaseContentEntity,
  ReleaseEntity,
} from '../schema/catalogue.ts'
import { PhotoService } from './photoService.ts'

export class BrowseQuery {
  @IsOptional() @Text(120) text?: string
}
export class PrintQuery extends BrowseQuery {
  @IsOptional() @IsIn(PART_KINDS) kind?: PartKind
}

/** Entries of one answer; who looks for one types some of its name. */
const PAGE = 60

/** Figures, releases, prints and photos: looked up by name or code, and opened. */
@ApiTags('catalogue')
@Controller()
export class BrowseController {
  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly photos: PhotoService,
  ) {}

  @Get('figures')
  figures(@Query() { text }: BrowseQuery) {
    return this.named(FigureEntity, text)
  }

  @Get('releases')
  releases(@Query() { text }: BrowseQuery) {
    return this.named(ReleaseEntity, text)
  }

  @Get('prints')
  prints(@Query() { text, kind }: PrintQuery) {
    return this.named(PrintEntity, text, kind ? { kind } : {})
  }

  @Get('prints/:code')
  async print(@Param('code') code: string) {
    const print = await this.database.getRepository(PrintEntity).findOneBy({ code })
    if (!print) throw notFound('print', code)
    return print
  }

  /** A figure slot by slot, and the releases it comes in. */
  @Get('figures/:code')
  async figure(@Param('code') code: string) {
    const db = this.database.manager
    const figure = await db.findOneBy(FigureEntity, { code })
    if (!figure) throw notFound('figure', code)
    const [sure, chances, dressed] = await Promise.all([
      db.findBy(ReleaseContentEntity, { kind: 'figure', code }),
      db.findBy(CaseContentEntity, { figure: code }),
      this.catalogue.dressed([code]),
    ])
    const releases = await db.find(ReleaseEntity, {
      where: { code: In([...sure, ...chances].map(({ release }) => release)) },
      order: { year: 'ASC', code: 'ASC' },
    })
    return { ...figure, worn: dressed.worn.get(code) ?? [], releases, parts: dressed.parts, prints: dressed.prints }
  }

  /** A release with its exact contents; of a blind pack what stands in a full case. */
  @Get('releases/:code')
  async release(@Param('code') code: string) {
    const db = this.database.manager
    const release = await db.findOneBy(ReleaseEntity, { code })
    if (!release) throw notFound('release', code)
    const [contents, cases] = await Promise.all([
      db.find(ReleaseContentEntity, { where: { release: code }, order: { kind: 'ASC', code: 'ASC' } }),
      db.find(CaseContentEntity, { where: { release: code }, order: { figure: 'ASC' } }),
    ])
    const codes = [...contents.filter((c) => c.kind === 'figure').map((c) => c.code), ...cases.map((c) => c.figure)]
    const loose = contents.filter((c) => c.kind === 'part').map((c) => c.code)
    const [figures, dressed] = await Promise.all([
      db.findBy(FigureEntity, { code: In(codes) }),
      this.catalogue.dressed(codes, loose),
    ])
    return {
      ...release,
      contents: contents.map(({ kind, code: own, qty }) => ({ kind, code: own, qty })),
      cases: cases.map(({ figure, qty }) => ({ kind: 'figure' as const, code: figure, qty })),
      figures: figures.map((figure) => ({ ...figure, worn: dressed.worn.get(figure.code) ?? [] })),
      parts: dressed.parts,
      prints: dressed.prints,
    }
  }

  /** Keep a photo; the body is the picture itself. */
  @Post('photos')
  @FileBody()
  photo(@Req() request: Request) {
    const announced = Number(request.headers['content-length'] ?? NaN)
    return this.photos.take(request, Number.isFinite(announced) ? announced : null)
  }

  @Get('photos/:hash')
  @FileAnswer('image/webp')
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async open(@Param('hash') hash: string) {
    return new StreamableFile(await this.photos.open(hash), { type: 'image/webp' })
  }

  private async named<E extends { code: string; name: string }>(
    entity: EntityTarget<E>,
    text = '',
    more: object = {},
  ): Promise<E[]> {
    const like = Like(`%${text.replace(/[%_]/g, '')}%`)
    return this.database.getRepository(entity).find({
      where: [
        { name: like, ...more },
        { code: like, ...more },
      ] as never,
      order: { name: 'ASC', code: 'ASC' } as never,
      take: PAGE,
    })
  }
}
