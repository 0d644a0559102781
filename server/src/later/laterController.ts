import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { NewLater, SetDone } from './dto.ts'
import { LaterService } from './laterService.ts'

@ApiTags('later')
@Controller('later')
export class LaterController {
  constructor(private readonly later: LaterService) {}

  @Get()
  all() {
    return this.later.all()
  }

  @Post()
  make(@Body() entry: NewLater) {
    return this.later.make(entry)
  }

  @Put(':id')
  @HttpCode(204)
  setDone(@Param('id') id: string, @Body() { done }: SetDone) {
    return this.later.setDone(id, done)
  }

  @Delete(':id')
  @HttpCode(204)
  drop(@Param('id') id: string) {
    return this.later.drop(id)
  }
}
