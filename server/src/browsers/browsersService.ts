import { Inject, Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { BrowserKept, KeptAnswer } from '@outfit/core/browsers'
import { unrecorded } from '../base/doing.ts'
import { Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { workspaceName } from '../base/workspaceName.ts'
import { Writer } from '../base/writer.ts'
import { BrowserKeptEntity } from '../schema/browsers.ts'

/** Days after which what a browser kept is let go that was not seen since. */
const DAYS = 400

/** What browsers keep for themselves, so that copies have it and another browser can go on with it. */
@Injectable()
export class BrowsersService {
  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    private readonly database: DataSource,
    private readonly writer: Writer,
  ) {}

  /** What is kept of a browser; where a copy was brought back that does not know it, of the one last seen. */
  async of(browser: string): Promise<KeptAnswer> {
    const { name, broughtBack } = workspaceName(this.settings.data)
    const kept = this.database.getRepository(BrowserKeptEntity)
    let rows = await kept.findBy({ browser })
    if (rows.length === 0 && broughtBack) {
      const [last] = await kept.find({ order: { at: 'DESC' }, take: 1 })
      if (last) rows = await kept.findBy({ browser: last.browser })
    }
    return {
      workspace: name,
      kept: rows.length > 0 ? Object.fromEntries(rows.map((row) => [row.name, row.value])) : null,
    }
  }

  /** Keep what a browser has otherwise than before. Nobody takes this back: it is of one browser. */
  async keep(browser: string, workspace: string, set: BrowserKept, gone: readonly string[]): Promise<void> {
    if (workspace !== workspaceName(this.settings.data).name)
      throw new Problem(409, 'Another workspace is open here now. Nothing was kept of the one before.')
    const at = new Date().toISOString()
    await unrecorded(() =>
      this.writer.transaction(async (db) => {
        const kept = db.getRepository(BrowserKeptEntity)
        for (const [name, value] of Object.entries(set))
          await kept.upsert({ browser, name, value, at }, ['browser', 'name'])
        for (const name of gone) await kept.delete({ browser, name })
        const old = new Date(Date.now() - DAYS * 86_400_000).toISOString()
        await db.query(
          'DELETE FROM browser_kept WHERE browser IN (SELECT browser FROM browser_kept GROUP BY browser HAVING MAX(at) < ?)',
          [old],
        )
      }),
    )
  }
}
