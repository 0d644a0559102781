import { Body, Controller, HttpCode, Param, Post } from '@nestjs/common'
import { ApiOkResponse, ApiTags } from '@nestjs/swagger'
import { IsBoolean, IsObject, IsOptional, IsString } from 'class-validator'
import { TABLES, type TableName } from '@outfit/core/formats'
import { notFound } from '../app/problem.ts'
import { ImportService } from './importService.ts'

export class ImportRequest {
  /** The file's text, header row first. */
  @IsString() csv: string
  /** Header of the file for a column of ours, where they differ. */
  @IsOptional() @IsObject() mapping?: Record<string, string>
  /** Write nothing when any row is rejected; true unless said otherwise. */
  @IsOptional() @IsBoolean() strict?: boolean
}

@ApiTags('import')
@Controller('import')
export class ImportController {
  constructor(private readonly imports: ImportService) {}

  @Post(':table')
  @HttpCode(200)
  @ApiOkResponse({ description: 'What was taken and which rows were not, with line and reason.' })
  importTable(@Param('table') table: string, @Body() request: ImportRequest) {
    if (!(table in TABLES)) throw notFound('table', table)
    return this.imports.importTable(table as TableName, request.csv, request)
  }
}
