import { Catch, HttpException, type ArgumentsHost, type ExceptionFilter, Logger } from '@nestjs/common'
import { STATUS_CODES } from 'node:http'
import type { Response } from 'express'
import { MissingRate } from '@outfit/core/market'
import { storageFault } from './storage.ts'

/** A fault in one field of what was sent. */
export interface FieldFault {
  field: string
  message: string
}

/** Faults told one by one; nobody mends more before asking again, and an answer must not be larger than the question. */
const MOST_FAULTS = 50

/** An answer of RFC 9457: a status, a sentence for the person, and the faults by field. */
export class Problem extends HttpException {
  constructor(status: number, detail: string, errors: FieldFault[] = [], extra: Record<string, unknown> = {}) {
    super({ detail, errors: told(errors), ...extra }, status)
  }
}

function told(errors: readonly FieldFault[]): FieldFault[] {
  const more = errors.length - MOST_FAULTS
  if (more <= 0) return [...errors]
  return [...errors.slice(0, MOST_FAULTS), { field: '', message: `and ${more.toLocaleString('en')} more` }]
}

/** The body of a problem of which there is no more to say. */
export const problemBody = (status: number, detail: string) => ({
  type: 'about:blank',
  title: STATUS_CODES[status],
  status,
  detail,
  errors: [] as FieldFault[],
})

/** The answer where something is not there: 404, with what it is and its id. */
export const notFound = (what: string, id: string) => new Problem(404, `There is no ${what} ${id}.`)

/** Turns every exception into application/problem+json; what we did not foresee is logged and told as 500. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('problem')

  catch(thrown: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>()
    const storage = storageFault(thrown)
    if (storage) this.log.error(thrown)
    const error =
      thrown instanceof MissingRate
        ? new Problem(409, thrown.message)
        : storage
          ? new Problem(storage.status, storage.detail)
          : thrown
    const known = error instanceof HttpException
    const bodyStatus = (error as { status?: number; type?: string }).type?.startsWith('entity.')
      ? (error as { status: number }).status
      : 500
    const status = known ? error.getStatus() : bodyStatus
    if (status >= 500 && !storage) this.log.error(error)
    const tooLarge = (error as { type?: string }).type === 'entity.too.large'
    const body = known ? error.getResponse() : {}
    const fields =
      typeof body === 'object' ? (body as Record<string, unknown> & { message?: string }) : { detail: body }
    const { message, error: _name, statusCode: _status, ...rest } = fields
    response
      .status(status)
      .type('application/problem+json')
      .json({
        ...problemBody(
          status,
          message ??
            (status >= 500
              ? 'Something went wrong on our side. Nothing was written; try again.'
              : tooLarge
                ? 'The body is larger than what is taken at once. Nothing was written.'
                : (error as Error).message),
        ),
        ...rest,
      })
  }
}
