import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { NewReference, SaveBrief, SaveBriefs, SaveOutline, SaveTemplate } from './dto.ts'
import { BriefService } from './briefService.ts'

@ApiTags('briefs')
@Controller()
export class BriefController {
  constructor(private readonly briefs: BriefService) {}

  /** Replace briefs of a roster, all or none. */
  @Put('rosters/:id/briefs')
  saveAll(@Param('id') id: string, @Body() { briefs }: SaveBriefs) {
    return this.briefs.saveAll(id, briefs)
  }

  @Put('outfits/:outfit/brief')
  save(@Param('outfit') outfit: string, @Body() { version, brief }: SaveBrief) {
    return this.briefs.save(outfit, version, brief)
  }

  /** Wishes kept under names, by name. */
  @Get('wish-templates')
  templates() {
    return this.briefs.templates()
  }

  @Post('wish-templates')
  saveTemplate(@Body() { name, wishes }: SaveTemplate) {
    return this.briefs.saveTemplate(name, wishes)
  }

  @Delete('wish-templates/:id')
  @HttpCode(204)
  removeTemplate(@Param('id') id: string) {
    return this.briefs.removeTemplate(id)
  }

  @Post('outfits/:outfit/references')
  addReference(@Param('outfit') outfit: string, @Body() reference: NewReference) {
    return this.briefs.addReference(outfit, reference)
  }

  /** Say where in a picture the character is; pictures of a character say so for all its outfits. */
  @Put('outfits/:outfit/references/:id/outline')
  @HttpCode(204)
  saveOutline(@Param('outfit') outfit: string, @Param('id') id: string, @Body() { outline }: SaveOutline) {
    return this.briefs.saveOutline(outfit, id, outline)
  }

  @Delete('outfits/:outfit/references/:id')
  @HttpCode(204)
  removeReference(@Param('outfit') outfit: string, @Param('id') id: string) {
    return this.briefs.removeReference(outfit, id)
  }
}
