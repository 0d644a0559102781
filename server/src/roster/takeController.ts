import { Body, Controller, Delete, Param, Post, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { AcceptPin, CastVote, ChooseTake, NewTake, RemoveTake, RenameTake } from './dto.ts'
import { TakeService } from './takeService.ts'

@ApiTags('takes')
@Controller('outfits/:outfit')
export class TakeController {
  constructor(private readonly takes: TakeService) {}

  @Post('takes')
  add(@Param('outfit') outfit: string, @Body() { version, ...made }: NewTake) {
    return this.takes.add(outfit, version, made)
  }

  @Put('takes/:take/label')
  rename(@Param('outfit') outfit: string, @Param('take') take: string, @Body() { version, label }: RenameTake) {
    return this.takes.rename(outfit, version, take, label)
  }

  @Delete('takes/:take')
  remove(@Param('outfit') outfit: string, @Param('take') take: string, @Body() { version }: RemoveTake) {
    return this.takes.remove(outfit, version, take)
  }

  @Put('takes/:take/accepted')
  accept(@Param('outfit') outfit: string, @Param('take') take: string, @Body() { version, ...accepted }: AcceptPin) {
    return this.takes.accept(outfit, version, take, accepted)
  }

  @Put('chosen')
  choose(@Param('outfit') outfit: string, @Body() { version, take, reason = '' }: ChooseTake) {
    return this.takes.choose(outfit, version, take, reason)
  }

  @Put('votes')
  vote(@Param('outfit') outfit: string, @Body() { version, voter, take = null }: CastVote) {
    return this.takes.vote(outfit, version, voter, take)
  }
}
