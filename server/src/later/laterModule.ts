import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { LaterController } from './laterController.ts'
import { LaterService } from './laterService.ts'

/** What is put off. */
@Module({
  imports: [CatalogueModule, MarketModule],
  controllers: [LaterController],
  providers: [LaterService],
  exports: [LaterService],
})
export class LaterModule {}
