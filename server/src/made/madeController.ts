import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { NewMade, SaveMade } from './dto.ts'
import { MadeService } from './madeService.ts'

/** Things made of several parts. */
@ApiTags('parts')
@Controller('made')
export class MadeController {
  constructor(private readonly made: MadeService) {}

  /** All of them by name, with the parts to draw them and the outfits that wear them. */
  @Get()
  all() {
    return this.made.all()
  }

  @Post()
  make(@Body() { id, ...body }: NewMade) {
    return this.made.make(body, id)
  }

  /** Change one: whoever wears it wears it as it is now, but for copies that were kept as they are. */
  @Put(':id')
  save(@Param('id') id: string, @Body() { version, ...body }: SaveMade) {
    return this.made.save(id, version, body)
  }

  /** Remove one. Outfits that wear it keep what they wear. */
  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string) {
    return this.made.remove(id)
  }
}
