import { Module, type DynamicModule, type Type } from '@nestjs/common'
import { APP_FILTER } from '@nestjs/core'
import { DataSource } from 'typeorm'
import { BriefController } from '../brief/briefController.ts'
import { BriefService } from '../brief/briefService.ts'
import { CatalogueController } from '../catalogue/catalogueController.ts'
import { BrowseController } from '../catalogue/browseController.ts'
import { EDIT_CONTROLLERS } from '../catalogue/editController.ts'
import { EditService } from '../catalogue/editService.ts'
import { PartPageController } from '../catalogue/partPageController.ts'
import { PhotoService } from '../catalogue/photoService.ts'
import { PricedService } from '../catalogue/pricedService.ts'
import { FinderService } from '../catalogue/finderService.ts'
import { CarriersService } from '../catalogue/carriersService.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ActService } from '../drawer/actService.ts'
import { BinService } from '../drawer/binService.ts'
import { DrawerController } from '../drawer/drawerController.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { LabelService } from '../drawer/labelService.ts'
import { RemarkService } from '../drawer/remarkService.ts'
import { WishService } from '../catalogue/wishService.ts'
import { FEED_PROVIDERS } from '../feed/feedModule.ts'
import { RefreshService } from '../feed/refreshService.ts'
import { ExportService } from '../import/exportService.ts'
import { ImportController } from '../import/importController.ts'
import { ImportService } from '../import/importService.ts'
import { MappingService } from '../import/mappingService.ts'
import { UploadsService } from '../import/uploadsService.ts'
import { JobsController } from '../jobs/jobsController.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { LaterController } from '../later/laterController.ts'
import { LaterService } from '../later/laterService.ts'
import { MarketController } from '../market/marketController.ts'
import { SellerService } from '../market/sellerService.ts'
import { PricesController } from '../market/pricesController.ts'
import { OfferService } from '../market/offerService.ts'
import { PriceService } from '../market/priceService.ts'
import { TargetService } from '../market/targetService.ts'
import { QuoteService } from '../market/quoteService.ts'
import { MarketService } from '../market/marketService.ts'
import { RosterController } from '../roster/rosterController.ts'
import { ImportRosters } from '../roster/importRosters.ts'
import { RemovedService } from '../roster/removedService.ts'
import { ShelvesService } from '../roster/shelvesService.ts'
import { StandService } from '../roster/standService.ts'
import { TeamController } from '../roster/teamController.ts'
import { TeamService } from '../roster/teamService.ts'
import { UniformService } from '../roster/uniformService.ts'
import { ParcelService } from '../market/parcelService.ts'
import { PlanningService } from '../roster/planningService.ts'
import { PinsService } from '../roster/pinsService.ts'
import { RosterService } from '../roster/rosterService.ts'
import { RulesController } from '../roster/rulesController.ts'
import { RulesService } from '../roster/rulesService.ts'
import { SharesService } from '../roster/sharesService.ts'
import { ReplicableService } from '../roster/replicableService.ts'
import { TakeController } from '../roster/takeController.ts'
import { TakeService } from '../roster/takeService.ts'
import { CardService } from '../show/cardService.ts'
import { ComparedService } from '../show/comparedService.ts'
import { LineUpController } from '../show/lineUpController.ts'
import { LineUpService } from '../show/lineUpService.ts'
import { PictureService } from '../show/pictureService.ts'
import { ShowController } from '../show/showController.ts'
import { PlanRunner } from '../sourcing/planRunner.ts'
import { SourcingController } from '../sourcing/sourcingController.ts'
import { CheckInService } from '../parcels/checkInService.ts'
import { OrderService } from '../parcels/orderService.ts'
import { OrderSheet } from '../parcels/orderSheet.ts'
import { ParcelsController } from '../parcels/parcelsController.ts'
import { ParcelListService } from '../parcels/parcelListService.ts'
import { SourcingService } from '../sourcing/sourcingService.ts'
import { WantsService } from '../sourcing/wantsService.ts'
import { ArmyService } from '../workbench/armyService.ts'
import { PromiseService } from '../workbench/promiseService.ts'
import { WorkbenchController } from '../workbench/workbenchController.ts'
import { WorkbenchService } from '../workbench/workbenchService.ts'
import { Changes } from './changes.ts'
import { Databases } from './database.ts'
import { HealthController } from './healthController.ts'
import { ProblemFilter } from './problem.ts'
import { SETTINGS, type Settings } from './settings.ts'
import { Writer } from './writer.ts'

@Module({})
export class AppModule {
  static with(settings: Settings, databases: Databases, runner: Type<PlanRunner>): DynamicModule {
    return {
      module: AppModule,
      controllers: [
        HealthController,
        CatalogueController,
        PartPageController,
        BrowseController,
        ...EDIT_CONTROLLERS,
        ImportController,
        JobsController,
        WorkbenchController,
        RosterController,
        RulesController,
        TeamController,
        TakeController,
        BriefController,
        LaterController,
        ShowController,
        LineUpController,
        MarketController,
        PricesController,
        SourcingController,
        ParcelsController,
        DrawerController,
      ],
      providers: [
        { provide: SETTINGS, useValue: settings },
        { provide: Databases, useValue: databases },
        // Whoever asks for the database reads from it; writing is the Writer's alone.
        { provide: DataSource, useValue: databases.reading },
        { provide: APP_FILTER, useClass: ProblemFilter },
        { provide: PlanRunner, useClass: runner },
        Changes,
        Writer,
        CatalogueService,
        CarriersService,
        FinderService,
        DrawerService,
        ActService,
        BinService,
        RemarkService,
        LabelService,
        WorkbenchService,
        ArmyService,
        PromiseService,
        WishService,
        PricedService,
        PhotoService,
        EditService,
        UploadsService,
        MappingService,
        ExportService,
        ImportService,
        JobsService,
        MarketService,
        QuoteService,
        OfferService,
        PriceService,
        TargetService,
        ...FEED_PROVIDERS,
        RefreshService,
        BriefService,
        SharesService,
        PinsService,
        RosterService,
        RulesService,
        ParcelService,
        ShelvesService,
        StandService,
        UniformService,
        TeamService,
        RemovedService,
        ImportRosters,
        PlanningService,
        TakeService,
        ReplicableService,
        LaterService,
        PictureService,
        CardService,
        ComparedService,
        LineUpService,
        SourcingService,
        WantsService,
        SellerService,
        ParcelListService,
        OrderService,
        CheckInService,
        OrderSheet,
      ],
    }
  }
}
