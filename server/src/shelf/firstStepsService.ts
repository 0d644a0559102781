import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { FirstStep, FirstSteps } from '@outfit/core/shelf'

/** What there is once a step was done. */
const DONE: Record<FirstStep, string> = {
  dressed: `SELECT 1 FROM placement`,
  briefed: `SELECT 1 FROM brief WHERE wishes <> '[]'`,
  owned: `SELECT 1 FROM lying WHERE qty > 0`,
  priced: `SELECT 1 FROM offer`,
  ordered: `SELECT 1 FROM parcel`,
}

/** How far somebody has come in a new workspace. */
@Injectable()
export class FirstStepsService {
  constructor(private readonly database: DataSource) {}

  /** Which of the first steps are done, told from what there is, and the outfit to go on with. */
  async now(): Promise<FirstSteps> {
    const asked = Object.entries(DONE).map(([step, rows]) => `EXISTS (${rows}) AS ${step}`)
    const [found] = await this.database.query<Record<FirstStep, number>[]>(`SELECT ${asked.join(', ')}`)
    const [outfit] = await this.database.query<{ id: string }[]>(`SELECT id FROM outfit ORDER BY rowid LIMIT 1`)
    const done = Object.fromEntries(Object.entries(found!).map(([step, is]) => [step, is === 1]))
    return { done: done as Record<FirstStep, boolean>, outfit: outfit?.id ?? null }
  }
}
