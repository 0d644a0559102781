import { Injectable } from '@nestjs/common'
import { catalogueOf, type Drawables } from '@outfit/core/catalogue'
import { houseRulesOf } from '@outfit/core/roster'
import type { NewFiguresFound } from '@outfit/core/uses'
import { SharesService } from '../allotment/sharesService.ts'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { DrawerService } from '../drawer/drawerService.ts'
import { PlanRunner } from '../sourcing/planRunner.ts'
import { SettingsService } from '../settings/settingsService.ts'
import { unclaimedOf } from './unclaimed.ts'

/** Figures told at most, and how long they may take to find. */
const MOST = 6
const SECONDS = 2

/** Figures nobody has yet around a part, with all that is needed to draw them. */
export interface NewFigures extends Drawables, NewFiguresFound {
  part: string
  /** Loose parts that were looked at. */
  loose: number
}

/** New figures of what lies loose, around one part. */
@Injectable()
export class NewFiguresService {
  constructor(
    private readonly shares: SharesService,
    private readonly catalogue: CatalogueService,
    private readonly drawer: DrawerService,
    private readonly settings: SettingsService,
    private readonly runner: PlanRunner,
  ) {}

  /** @throws Problem 404 where there is no such part. */
  async around(code: string): Promise<NewFigures> {
    const [part] = await this.catalogue.parts([code])
    if (!part) throw notFound('part', code)
    const [shares, { loose: lying }, { school, takingApart }] = await Promise.all([
      this.shares.all(),
      this.drawer.contents(),
      this.settings.all(),
    ])
    const loose = unclaimedOf(shares, lying)
    const lies = Object.keys(lying).filter((one) => lying[one]! > 0)
    const wholes = await this.catalogue.assembliesWith(lies)
    const own = part.components.map((one) => one.part)
    const parts = await this.catalogue.parts([...new Set([code, ...own, ...lies, ...wholes])])
    const prints = await this.catalogue.printsOn(parts)
    const catalogue = catalogueOf({ ...(await this.catalogue.basics()), parts, prints })
    // Many loose parts take seconds, in which nobody else may wait.
    const { figures, claimed } = await this.runner.run(
      {
        do: 'new-figures',
        ask: {
          ...{ part, catalogue, unclaimed: loose, lying, count: MOST, seconds: SECONDS },
          assemblies: parts.filter(({ components }) => components.length > 0),
          rules: houseRulesOf(school, takingApart === null ? {} : { takingApart }, {}),
        },
      },
      { signal: new AbortController().signal, report: () => {}, enough: new Int32Array(new SharedArrayBuffer(4)) },
    )
    const looked = claimed ? lies : lies.filter((one) => loose[one]! > 0)
    const worn = new Set([code, ...figures.flatMap(({ placements }) => placements.map((placement) => placement.part))])
    const drawn = parts.filter((one) => worn.has(one.code))
    const shown = new Set(drawn.flatMap(({ print }) => print ?? []))
    return {
      part: code,
      figures,
      loose: looked.length,
      claimed,
      parts: drawn,
      prints: prints.filter((print) => shown.has(print.code)),
    }
  }
}
