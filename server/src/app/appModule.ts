import { Module, type DynamicModule } from '@nestjs/common'
import { APP_FILTER, APP_GUARD } from '@nestjs/core'
import { ThrottlerGuard, ThrottlerModule } from '@nestjs/throttler'
import { TypeOrmModule } from '@nestjs/typeorm'
import { CatalogueController } from '../catalogue/catalogueController.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { ImportController } from '../import/importController.ts'
import { ImportService } from '../import/importService.ts'
import { JobsController } from '../jobs/jobsController.ts'
import { JobsService } from '../jobs/jobsService.ts'
import { MarketService } from '../market/marketService.ts'
import { RosterController } from '../roster/rosterController.ts'
import { RosterService } from '../roster/rosterService.ts'
import { CardService } from '../show/cardService.ts'
import { ShowController } from '../show/showController.ts'
import { PlanRunner, WorkerPlanRunner } from '../sourcing/planRunner.ts'
import { SourcingController } from '../sourcing/sourcingController.ts'
import { SourcingService } from '../sourcing/sourcingService.ts'
import { databaseIn } from './database.ts'
import { HealthController } from './healthController.ts'
import { ProblemFilter } from './problem.ts'
import { SETTINGS, type Settings } from './settings.ts'

/** Requests a minute from one address; a busy bench makes a few a second. */
const REQUESTS_PER_MINUTE = 1200

@Module({})
export class AppModule {
  static with(settings: Settings): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRoot(databaseIn(settings.data)),
        ThrottlerModule.forRoot([{ ttl: 60_000, limit: REQUESTS_PER_MINUTE }]),
      ],
      controllers: [
        HealthController,
        CatalogueController,
        ImportController,
        JobsController,
        RosterController,
        ShowController,
        SourcingController,
      ],
      providers: [
        { provide: SETTINGS, useValue: settings },
        { provide: APP_FILTER, useClass: ProblemFilter },
        { provide: APP_GUARD, useClass: ThrottlerGuard },
        { provide: PlanRunner, useClass: WorkerPlanRunner },
        CatalogueService,
        DrawerService,
        ImportService,
        JobsService,
        MarketService,
        RosterService,
        CardService,
        SourcingService,
      ],
    }
  }
}
