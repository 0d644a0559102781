import { Body, Controller, Delete, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { NewReference, SaveBrief } from './dto.ts'
import { BriefService } from './briefService.ts'

@ApiTags('briefs')
@Controller('outfits/:outfit')
export class BriefController {
  constructor(private readonly briefs: BriefService) {}

  @Put('brief')
  save(@Param('outfit') outfit: string, @Body() { version, brief }: SaveBrief) {
    return this.briefs.save(outfit, version, brief)
  }

  @Post('references')
  addReference(@Param('outfit') outfit: string, @Body() reference: NewReference) {
    return this.briefs.addReference(outfit, reference)
  }

  @Delete('references/:id')
  @HttpCode(204)
  removeReference(@Param('outfit') outfit: string, @Param('id') id: string) {
    return this.briefs.removeReference(outfit, id)
  }
}
