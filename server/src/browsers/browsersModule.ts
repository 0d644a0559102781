import { Module } from '@nestjs/common'
import { BrowsersController } from './browsersController.ts'
import { BrowsersService } from './browsersService.ts'

/** What browsers keep for themselves. */
@Module({ controllers: [BrowsersController], providers: [BrowsersService] })
export class BrowsersModule {}
