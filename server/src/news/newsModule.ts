import { Module } from '@nestjs/common'
import { NewsController } from './newsController.ts'
import { NewsService } from './newsService.ts'

/** What was written, told to every window. */
@Module({ controllers: [NewsController], providers: [NewsService] })
export class NewsModule {}
