import { Body, Controller, Delete, Get, Header, HttpCode, Param, Post, Put, Req, Res } from '@nestjs/common'
import { ApiOkResponse, ApiTags } from '@nestjs/swagger'
import { IsBoolean, IsIn, IsOptional, IsString, MaxLength, MinLength } from 'class-validator'
import { FileBody, One } from '../base/fields.ts'
import type { Request, Response } from 'express'
import { TABLE_NAMES, type TableName } from '@outfit/core/tables'
import { IsTexts } from '../base/isTexts.ts'
import { notFound } from '../base/problem.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { ExportService } from './exportService.ts'
import { ImportService } from './importService.ts'
import { MappingService } from './mappingService.ts'
import { UploadsService } from './uploadsService.ts'

export class ImportRequest {
  /** The file's text, header row first. */
  @IsString() csv: string
  /** Header of the file for a column of ours, where they differ. */
  @IsOptional() @IsTexts() mapping?: Record<string, string>
  /** Write nothing when any row is rejected; true unless said otherwise. */
  @IsOptional() @IsBoolean() strict?: boolean
  /** For offers: the lists are all their sellers have. */
  @IsOptional() @IsBoolean() whole?: boolean
}

export class CorrectionsDto {
  /** The mould to take for all names with these words. */
  @IsTexts({ most: 5000 }) moulds: Record<string, string>
  /** The colour to take for these words. */
  @IsTexts({ most: 5000 }) colours: Record<string, string>
}

export class UploadImportRequest {
  @IsString() upload: string
  @IsIn(TABLE_NAMES) table: TableName
  @IsOptional() @IsTexts() mapping?: Record<string, string>
  @IsOptional() @IsBoolean() strict?: boolean
  /** Only look: check every row and write nothing. */
  @IsOptional() @IsBoolean() dry?: boolean
  /** For offers: the lists are all their sellers have. */
  @IsOptional() @IsBoolean() whole?: boolean
  /** Guess what a row of parts leaves empty from its name. */
  @IsOptional() @One(() => CorrectionsDto) guess?: CorrectionsDto
}

export class MappingDto {
  @IsTexts() columns: Record<string, string>
  /** The columns it had when it was read; needed for a mapping there is. */
  @IsOptional() @IsTexts() was?: Record<string, string>
}

export class MappingName {
  @IsIn(TABLE_NAMES) table: TableName
  @IsString() @MinLength(1) @MaxLength(80) name: string
}

@ApiTags('import')
@Controller()
export class ImportController {
  constructor(
    private readonly imports: ImportService,
    private readonly exports: ExportService,
    private readonly uploads: UploadsService,
    private readonly mappings: MappingService,
    private readonly jobs: JobsService,
  ) {}

  @Post('import/:table')
  @HttpCode(200)
  @ApiOkResponse({ description: 'What was taken and which rows were not, with line and reason.' })
  importTable(@Param('table') table: string, @Body() request: ImportRequest) {
    return this.imports.importTable(known(table), request.csv, request)
  }

  /** Keep a table file for the mapping step; the body is the file itself. */
  @Post('uploads')
  @FileBody()
  upload(@Req() request: Request) {
    const announced = Number(request.headers['content-length'] ?? NaN)
    return this.uploads.take(request, Number.isFinite(announced) ? announced : null)
  }

  /** Check or import a kept file, as a job. */
  @Post('imports')
  @HttpCode(202)
  start(@Body() { upload, table, ...options }: UploadImportRequest) {
    this.uploads.demand(upload)
    const job = this.jobs.start('import', { upload, table, ...options }, ({ signal, report }) =>
      this.imports.importUpload(upload, table, options, { signal, report }),
    )
    return { job }
  }

  @Get('mappings/:table')
  mappingsOf(@Param('table') table: string) {
    return this.mappings.of(known(table))
  }

  @Put('mappings/:table/:name')
  @HttpCode(204)
  remember(@Param() { table, name }: MappingName, @Body() { columns, was }: MappingDto) {
    return this.mappings.remember(table, name, columns, was)
  }

  @Delete('mappings/:table/:name')
  @HttpCode(204)
  forget(@Param() { table, name }: MappingName) {
    return this.mappings.forget(table, name)
  }

  /** All tables as one ZIP of the CSV files an import reads back. */
  @Get('export/tables.zip')
  @Header('Content-Type', 'application/zip')
  async exportAll(@Res() response: Response) {
    response.setHeader('Content-Disposition', 'attachment; filename="outfit-tables.zip"')
    await this.exports.writeAll(response)
  }

  /** A table as the CSV that an import reads back. */
  @Get('export/:table.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  async export(@Param('table') table: string, @Res() response: Response) {
    response.setHeader('Content-Disposition', `attachment; filename="${known(table)}.csv"`)
    await this.exports.write(known(table), response)
  }
}

function known(table: string): TableName {
  if (!TABLE_NAMES.includes(table as TableName)) throw notFound('table', table)
  return table as TableName
}
