import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { HOUSE_RULES, houseRulesOf, switchesOver, type School, type Switches } from '@outfit/core/roster'
import { Problem } from '../base/problem.ts'
import { FigureEntity, ReleaseEntity } from '../schema/catalogue.ts'
import { CharacterEntity, OutfitEntity, RosterEntity } from '../schema/roster.ts'
import { RosterService } from './rosterService.ts'

/** House rules of rosters, and what single outfits do otherwise. */
@Injectable()
export class RulesService {
  constructor(
    private readonly database: DataSource,
    private readonly rosters: RosterService,
  ) {}

  /** Set the school and switches of a roster; a switch that says what the school says is none. */
  async ofRoster(id: string, version: number, school: School, changed: Switches): Promise<{ version: number }> {
    await this.refuseUnknown(changed)
    return this.rosters.writingRoster(id, version, async (db) => {
      await db.update(RosterEntity, { id }, { rules: school, switches: switchesOver(HOUSE_RULES[school], changed) })
      return {}
    })
  }

  /** Set what an outfit does otherwise than its roster, with the reason; without any switch it keeps to the roster. */
  async ofOutfit(id: string, version: number, changed: Switches, reason: string): Promise<{ version: number }> {
    await this.refuseUnknown(changed)
    return this.rosters.writing(id, version, async (db) => {
      const outfit = await db.findOneByOrFail(OutfitEntity, { id })
      const character = await db.findOneByOrFail(CharacterEntity, { id: outfit.character })
      const roster = await db.findOneByOrFail(RosterEntity, { id: character.roster })
      const switches = switchesOver(houseRulesOf(roster.rules, roster.switches), changed)
      const differs = Object.keys(switches).length > 0
      if (differs && reason.trim() === '')
        throw new Problem(400, 'reason: say why this outfit does otherwise. Nothing was written.', [
          { field: 'reason', message: 'say why this outfit does otherwise' },
        ])
      await db.update(OutfitEntity, { id }, { switches, switchesReason: differs ? reason.trim() : '' })
    })
  }

  /** Refuse figures and releases there are not, by the path of the first. */
  async refuseUnknown({ excluded }: Switches, path = ''): Promise<void> {
    if (!excluded) return
    for (const [key, entity] of [
      ['figures', FigureEntity],
      ['releases', ReleaseEntity],
    ] as const) {
      const found = new Set(
        (await this.database.getRepository(entity).findBy({ code: In([...excluded[key]]) })).map(({ code }) => code),
      )
      const index = excluded[key].findIndex((code) => !found.has(code))
      if (index < 0) continue
      const [field, message] = [`${path}switches.excluded.${key}[${index}]`, `there is no ${excluded[key][index]}`]
      throw new Problem(400, `${field}: ${message}. Nothing was written.`, [{ field, message }])
    }
  }
}
