import { Body, Controller, Get, HttpCode, Param, Put } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { IsObject } from 'class-validator'
import { KEPT_PREFIX, LONGEST_KEPT, LONGEST_NAME } from '@outfit/core/browsers'
import { FilledText, Texts } from '../base/fields.ts'
import { Problem } from '../base/problem.ts'
import { BrowsersService } from './browsersService.ts'

/** What a browser has otherwise than it told before. */
export class KeepOfBrowser {
  /** Texts by name. */
  @IsObject() set: Record<string, string>
  @Texts({ most: 1000 }) gone: string[]
  /** The workspace it is of; what is of another one is refused with 409. */
  @FilledText(40) workspace: string
}

const BROWSER = /^[\w-]{8,64}$/

@ApiTags('browsers')
@Controller('browsers')
export class BrowsersController {
  constructor(private readonly browsers: BrowsersService) {}

  /** What is kept of a browser, by the name it gave itself. */
  @Get(':browser/kept')
  kept(@Param('browser') browser: string) {
    return this.browsers.of(checked(browser))
  }

  @Put(':browser/kept')
  @HttpCode(204)
  async keep(@Param('browser') browser: string, @Body() { set, gone, workspace }: KeepOfBrowser): Promise<void> {
    for (const [name, text] of Object.entries(set)) {
      if (!name.startsWith(KEPT_PREFIX) || name.length > LONGEST_NAME)
        throw refused('set', `${name.slice(0, 40)} is no name of ours`)
      if (typeof text !== 'string') throw refused(`set.${name}`, 'must be a text')
      if (text.length > LONGEST_KEPT) throw refused(`set.${name}`, `must not be longer than ${LONGEST_KEPT} letters`)
    }
    await this.browsers.keep(checked(browser), workspace, set, gone)
  }
}

function checked(browser: string): string {
  if (!BROWSER.test(browser)) throw refused('browser', 'must be 8 to 64 letters, digits and dashes')
  return browser
}

const refused = (field: string, message: string) => new Problem(400, 'The request is not right.', [{ field, message }])
