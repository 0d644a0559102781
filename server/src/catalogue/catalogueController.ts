import { Controller, Get } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { CatalogueService } from './catalogueService.ts'

@ApiTags('catalogue')
@Controller()
export class CatalogueController {
  constructor(private readonly catalogue: CatalogueService) {}

  @Get('catalogue/basics')
  basics() {
    return this.catalogue.basics()
  }
}
