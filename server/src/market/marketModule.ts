import { Module } from '@nestjs/common'
import { TablesModule } from '../tables/tablesModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { MarketController } from './marketController.ts'
import { MarketService } from './marketService.ts'
import { OfferService } from './offerService.ts'
import { ParcelService } from './parcelService.ts'
import { QuoteService } from './quoteService.ts'
import { SellerService } from './sellerService.ts'
import { SheetWriter, sheetWriterIn } from './sheetWriter.ts'

/** Sellers, offers, quotes, and parcels on their way. */
@Module({
  imports: [TablesModule, CatalogueModule],
  controllers: [MarketController],
  providers: [MarketService, OfferService, ParcelService, QuoteService, SellerService, sheetWriterIn],
  exports: [MarketService, OfferService, ParcelService, QuoteService, SellerService, SheetWriter],
})
export class MarketModule {}
