import { Global, Module, type DynamicModule, type Type } from '@nestjs/common'
import { APP_FILTER } from '@nestjs/core'
import { DataSource } from 'typeorm'
import { Changes } from '../base/changes.ts'
import { Databases } from '../base/database.ts'
import { ProblemFilter } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { Writer } from '../base/writer.ts'
import { ArchiveModule } from '../archive/archiveModule.ts'
import { AccessModule } from '../access/accessModule.ts'
import { AllotmentModule } from '../allotment/allotmentModule.ts'
import { BallotModule } from '../ballot/ballotModule.ts'
import { BrowsersModule } from '../browsers/browsersModule.ts'
import { BriefModule } from '../brief/briefModule.ts'
import { CatalogueModule } from '../catalogue/catalogueModule.ts'
import { DrawerModule } from '../drawer/drawerModule.ts'
import { ErrandsModule } from '../errands/errandsModule.ts'
import { FeedModule } from '../feed/feedModule.ts'
import { IntakeModule } from '../intake/intakeModule.ts'
import { JournalModule } from '../journal/journalModule.ts'
import { JobsModule } from '../jobs/jobsModule.ts'
import { LaterModule } from '../later/laterModule.ts'
import { MadeModule } from '../made/madeModule.ts'
import { MarketModule } from '../market/marketModule.ts'
import { ParcelsModule } from '../parcels/parcelsModule.ts'
import { NewsModule } from '../news/newsModule.ts'
import { PartsModule } from '../parts/partsModule.ts'
import { PricesModule } from '../prices/pricesModule.ts'
import { RosterModule } from '../roster/rosterModule.ts'
import { SampleModule } from '../sample/sampleModule.ts'
import { SeriesModule } from '../series/seriesModule.ts'
import { SettingsModule } from '../settings/settingsModule.ts'
import { ShelfModule } from '../shelf/shelfModule.ts'
import { ShowModule } from '../show/showModule.ts'
import { SourcingModule } from '../sourcing/sourcingModule.ts'
import { TablesModule } from '../tables/tablesModule.ts'
import { TeamsModule } from '../teams/teamsModule.ts'
import { UsesModule } from '../uses/usesModule.ts'
import { WardrobeModule } from '../wardrobe/wardrobeModule.ts'
import { WorkbenchModule } from '../workbench/workbenchModule.ts'
import { PATIENCE, USUAL_PATIENCE, type Patience } from '../feed/patience.ts'
import { SHEET_WRITER, ThreadSheetWriter, type SheetWriterIn } from '../market/sheetWriter.ts'
import { PLAN_RUNNER, type PlanRunner } from '../sourcing/planRunner.ts'
import { HealthController } from './healthController.ts'

/** What may be another in a test. */
export interface Parts {
  /** Solves plans. */
  runner: Type<PlanRunner>
  /** Writes the lists of a market, on a thread of its own unless said otherwise. */
  sheets?: SheetWriterIn
  /** How a market is asked, where that is not as usual. */
  patience?: Partial<Patience>
}

/** What every room stands on: settings, the database to read, its writer, and the count of changes. */
@Global()
@Module({})
class Ground {
  static with(
    settings: Settings,
    databases: Databases,
    { runner, sheets = ThreadSheetWriter, patience }: Parts,
  ): DynamicModule {
    return {
      module: Ground,
      providers: [
        { provide: SETTINGS, useValue: settings },
        { provide: Databases, useValue: databases },
        // Whoever asks for the database reads from it; writing is the Writer's alone.
        { provide: DataSource, useValue: databases.reading },
        { provide: PLAN_RUNNER, useValue: runner },
        { provide: SHEET_WRITER, useValue: sheets },
        { provide: PATIENCE, useValue: { ...USUAL_PATIENCE, ...patience } },
        Changes,
        Writer,
      ],
      exports: [SETTINGS, Databases, DataSource, PLAN_RUNNER, SHEET_WRITER, PATIENCE, Changes, Writer],
    }
  }
}

/** The rooms from the ground up; each imports only those before it. */
const ROOMS = [
  AccessModule,
  NewsModule,
  JobsModule,
  TablesModule,
  SettingsModule,
  ArchiveModule,
  BrowsersModule,
  CatalogueModule,
  MarketModule,
  FeedModule,
  IntakeModule,
  DrawerModule,
  BriefModule,
  AllotmentModule,
  LaterModule,
  MadeModule,
  RosterModule,
  ShelfModule,
  TeamsModule,
  PartsModule,
  PricesModule,
  SourcingModule,
  UsesModule,
  WardrobeModule,
  ParcelsModule,
  WorkbenchModule,
  ErrandsModule,
  ShowModule,
  SeriesModule,
  BallotModule,
  SampleModule,
  JournalModule,
]

/** All rooms of the server put together, with what differs between a server, a command and a test. */
@Module({})
export class AppModule {
  static with(settings: Settings, databases: Databases, parts: Parts): DynamicModule {
    return {
      module: AppModule,
      imports: [Ground.with(settings, databases, parts), ...ROOMS],
      controllers: [HealthController],
      providers: [{ provide: APP_FILTER, useClass: ProblemFilter }],
    }
  }
}
