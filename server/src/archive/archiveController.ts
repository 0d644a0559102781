import { Body, Controller, Delete, Get, HttpCode, Param, Post, Req, StreamableFile } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsIn } from 'class-validator'
import { CLEARABLE, type Clearable, type SampleAmongOwn } from '@outfit/core/archive'
import type { Request } from 'express'
import { FileAnswer, FileBody, Texts } from '../base/fields.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { ArchiveService } from './archiveService.ts'

export class Clear {
  @IsIn(CLEARABLE, { each: true }) @Texts({ least: 1, most: CLEARABLE.length }) what: Clearable[]
}

@ApiTags('archive')
@Controller('archives')
export class ArchiveController {
  constructor(
    private readonly archives: ArchiveService,
    private readonly jobs: JobsService,
  ) {}

  /** Archives in the data folder, the newest first. */
  @Get()
  all() {
    return this.archives.list()
  }

  /** Write everything as one file, as a job. */
  @Post()
  @HttpCode(202)
  write() {
    return { job: this.jobs.start('archive', {}, (course) => this.archives.write('asked', course)) }
  }

  /** Bring back an archive that is sent, as a job; the body is the file itself. */
  @Post('restored')
  @FileBody()
  @HttpCode(202)
  async bring(@Req() request: Request) {
    const file = await this.archives.take(request)
    const restore = async (course: Parameters<ArchiveService['restore']>[1]) => {
      try {
        return await this.archives.restore(file, course)
      } finally {
        this.archives.drop(file)
      }
    }
    return { job: this.jobs.start('restore', {}, restore) }
  }

  /** Delete everything of some things, after a copy of all that is there, as a job. */
  @Post('cleared')
  @HttpCode(202)
  clear(@Body() { what }: Clear) {
    return { job: this.jobs.start('clear', { what }, (course) => this.archives.clear(what, course)) }
  }

  /** What would go and stay, were the sample world taken out of this workspace; `sample` is null where none is in it. */
  @Get('sample')
  sample(): { sample: SampleAmongOwn | null } {
    return { sample: this.archives.sample() }
  }

  /** Take the sample world out of this workspace, after a copy of all that is there, as a job. */
  @Post('sample/removed')
  @HttpCode(202)
  withoutSample() {
    return { job: this.jobs.start('clear', {}, (course) => this.archives.withoutSample(course)) }
  }

  @Get(':name')
  @FileAnswer('application/zip')
  download(@Param('name') name: string) {
    const disposition = `attachment; filename="${name}"`
    return new StreamableFile(this.archives.open(name), { type: 'application/zip', disposition })
  }

  /** Bring back one of those in the data folder, as a job. */
  @Post(':name/restored')
  @HttpCode(202)
  again(@Param('name') name: string) {
    const path = this.archives.pathOf(name)
    return { job: this.jobs.start('restore', { name }, (course) => this.archives.restore(path, course)) }
  }

  @Delete(':name')
  @HttpCode(204)
  forget(@Param('name') name: string) {
    this.archives.forget(name)
  }
}
