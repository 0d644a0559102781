import { Body, Controller, Get, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { ChangeHome, ChangeSettings } from './dto.ts'
import { SettingsService } from './settingsService.ts'

@ApiTags('settings')
@Controller('settings')
export class SettingsController {
  constructor(private readonly settings: SettingsService) {}

  @Get()
  all() {
    return this.settings.all()
  }

  @Put()
  change(@Body() set: ChangeSettings) {
    return this.settings.change(set)
  }

  @Put('home')
  moveHome(@Body() home: ChangeHome) {
    return this.settings.moveHome(home)
  }
}
