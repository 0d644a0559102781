import { Body, Controller, Delete, HttpCode, Param, Post, Put, type Type } from '@nestjs/common'
import { ApiBody, ApiTags } from '@nestjs/swagger'
import { Matches } from 'class-validator'
import { Text } from '../base/fields.ts'
import type { Editable } from '@outfit/core/catalogue'
import { ColourBody, FigureBody, MouldBody, PartBody, PrintBody, ReleaseBody } from './editDto.ts'
import { EditService, type Bodies } from './editService.ts'

class CodeParam {
  /** Codes go into addresses and files. */
  @Text(60)
  @Matches(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, { message: 'code may hold letters, digits, dots and dashes' })
  code: string
}

/** A controller to make, change and remove the entries of one table. */
function editing<T extends Editable>(table: T, Shape: Type<Bodies[T]>): Type<unknown> {
  @ApiTags('catalogue')
  @Controller(`catalogue/${table}`)
  class EditController {
    constructor(readonly edits: EditService) {}

    @Post()
    @ApiBody({ type: Shape })
    create(@Body() body: Bodies[T]) {
      return this.edits.create(table, body)
    }

    @Put(':code')
    @ApiBody({ type: Shape })
    save(@Param() { code }: CodeParam, @Body() body: Bodies[T]) {
      return this.edits.save(table, code, body)
    }

    @Delete(':code')
    @HttpCode(204)
    remove(@Param() { code }: CodeParam) {
      return this.edits.remove(table, code)
    }
  }
  // The type of the body is a parameter here, so what decorators would note of it is said outright.
  Reflect.defineMetadata('design:paramtypes', [Shape], EditController.prototype, 'create')
  Reflect.defineMetadata('design:paramtypes', [CodeParam, Shape], EditController.prototype, 'save')
  Reflect.defineMetadata('design:paramtypes', [EditService], EditController)
  Object.defineProperty(EditController, 'name', { value: `Edit${table}Controller` })
  return EditController
}

export const EDIT_CONTROLLERS = [
  editing('colours', ColourBody),
  editing('moulds', MouldBody),
  editing('prints', PrintBody),
  editing('parts', PartBody),
  editing('figures', FigureBody),
  editing('releases', ReleaseBody),
]
