import { Module } from '@nestjs/common'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MadeController } from './madeController.ts'
import { MadeService } from './madeService.ts'

/** Things made of several parts. */
@Module({
  imports: [CatalogueModule],
  controllers: [MadeController],
  providers: [MadeService],
  exports: [MadeService],
})
export class MadeModule {}
