import { First1763900000000 } from './first.ts'
import { Catalogue1764000000000 } from './catalogue.ts'
import { Briefs1764100000000 } from './briefs.ts'
import { HouseRules1764200000000 } from './houseRules.ts'
import { Planning1764300000000 } from './planning.ts'
import { Drawer1764400000000 } from './drawer.ts'
import { Parcels1764500000000 } from './parcels.ts'
import { Sellers1764600000000 } from './sellers.ts'
import { Quotes1764700000000 } from './quotes.ts'
import { NumberedOffers1764800000000 } from './numberedOffers.ts'
import { Carriers1765000000000 } from './carriers.ts'
import { Intake1764900000000 } from './intake.ts'
import { Show1765100000000 } from './show.ts'
import { Settings1765200000000 } from './settings.ts'
import { IntakeUndo1765300000000 } from './intakeUndo.ts'
import { IntakeRows1765400000000 } from './intakeRows.ts'
import { SkinFamily1765500000000 } from './skinFamily.ts'
import { PictureOutline1765600000000 } from './pictureOutline.ts'
import { WishTemplates1765700000000 } from './wishTemplates.ts'
import { IntakeRemarks1765800000000 } from './intakeRemarks.ts'
import { Pieces1765900000000 } from './pieces.ts'
import { Journal1766000000000 } from './journal.ts'
import { JournalCopy1766100000000 } from './journalCopy.ts'
import { Browsers1766200000000 } from './browsers.ts'
import { Errands1766300000000 } from './errands.ts'
import { Series1766400000000 } from './series.ts'
import { Ballots1766500000000 } from './ballots.ts'
import { Made1766600000000 } from './made.ts'

/** Oldest first; one that was released is never changed. */
export const MIGRATIONS = [
  First1763900000000,
  Catalogue1764000000000,
  Briefs1764100000000,
  HouseRules1764200000000,
  Planning1764300000000,
  Drawer1764400000000,
  Parcels1764500000000,
  Sellers1764600000000,
  Quotes1764700000000,
  NumberedOffers1764800000000,
  Intake1764900000000,
  Carriers1765000000000,
  Show1765100000000,
  Settings1765200000000,
  IntakeUndo1765300000000,
  IntakeRows1765400000000,
  SkinFamily1765500000000,
  PictureOutline1765600000000,
  WishTemplates1765700000000,
  IntakeRemarks1765800000000,
  Pieces1765900000000,
  Journal1766000000000,
  JournalCopy1766100000000,
  Browsers1766200000000,
  Errands1766300000000,
  Series1766400000000,
  Ballots1766500000000,
  Made1766600000000,
]
