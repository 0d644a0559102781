import { Controller, Get } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { DataSource } from 'typeorm'
import { PartEntity } from '../schema/catalogue.ts'
import { OfferEntity } from '../schema/market.ts'
import { OutfitEntity } from '../schema/roster.ts'

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly database: DataSource) {}

  /** Ready when the database answers; counts tell which world is loaded. */
  @Get()
  async health() {
    const [parts, offers, outfits] = await Promise.all(
      [PartEntity, OfferEntity, OutfitEntity].map((e) => this.database.getRepository(e).count()),
    )
    return { status: 'ok', parts, offers, outfits }
  }
}
