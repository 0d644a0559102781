import { Injectable } from '@nestjs/common'
import { DataSource, IsNull, type EntityManager } from 'typeorm'
import { fold, groupBy } from '@outfit/core/base'
import { unitsOf } from '@outfit/core/drawer'
import {
  type Answer,
  type Choices,
  type Encoding,
  inksOf,
  type IntakeMode,
  type IntakeResult,
  type KnownThings,
  type LookedAt,
  madeMoulds,
  newColour,
  printMade,
  readingList,
  type ReadList,
} from '@outfit/core/intake'
import { readNames } from '@outfit/core/tables'
import { breathing } from '../base/breathe.ts'
import { Changes } from '../base/changes.ts'
import { Problem } from '../base/problem.ts'
import { today } from '../base/today.ts'
import { Writer } from '../base/writer.ts'
import { ComponentEntity, PartEntity } from '../schema/catalogue.ts'
import { BinEntity, LyingEntity } from '../schema/drawer.ts'
import { IntakeAnswerEntity, IntakeEntity, IntakeRemarkEntity } from '../schema/intake.ts'
import { SellerEntity } from '../schema/market.ts'
import { writeRows } from '../tables/tableWriter.ts'
import { IntakeFiles, type OpenedList } from './intakeFiles.ts'
import { ListWriter, unratedOf, UNSORTED } from './listWriter.ts'
import { ownAndStarter } from './ownAndStarter.ts'
import { TableFollowers } from '../tables/tableFollowers.ts'

/** How a list is looked at. */
export interface LookOptions {
  encoding?: Encoding
  sheet?: number
  choices?: Choices
}

const SHOWN = 12
const MOST_TOLD = 200

/** Brings in lists of a person's own: says how they are understood, and writes them in one transaction. */
@Injectable()
export class IntakeService {
  /** What words may mean, until something of it changes: a list is looked at after every answer. */
  private readonly known: () => Promise<KnownThings>

  constructor(
    private readonly database: DataSource,
    private readonly writer: Writer,
    private readonly changes: Changes,
    private readonly files: IntakeFiles,
    private readonly lists: ListWriter,
    private readonly followers: TableFollowers,
  ) {
    this.known = changes.keeping(['catalogue', 'drawer', 'market'], () => knownTo(database.manager))
  }

  /**
   * What a list is taken for with these choices: its columns, the first rows as they are read, and what is asked. 404 where
   * the upload is gone.
   */
  async look(id: string, { encoding, sheet, choices = {} }: LookOptions): Promise<LookedAt> {
    const db = this.database.manager
    const opened = await this.files.open(id, {
      ...(encoding ? { encoding } : {}),
      ...(sheet !== undefined ? { sheet } : {}),
    })
    const known = await this.known()
    const { rows, ...list } = await this.read(opened, known, await this.remembered(db, choices))
    const codes = new Set(rows.map(({ part }) => part.colour))
    const moulds = new Set([
      ...rows.map(({ part }) => part.mould),
      ...list.unknown.flatMap(({ candidates }) => candidates),
    ])
    for (const { candidates, answer } of list.unknown) {
      for (const code of candidates) codes.add(code)
      if (!('take' in answer)) continue
      moulds.add(answer.take)
      codes.add(answer.take)
    }
    const sets = groupBy(list.kind === 'sets' ? rows : [], ({ set }) => fold(set!))
    const kinds = new Map(rows.map(({ part }) => [part.code ?? `${part.mould} ${part.colour} ${part.name}`, part]))
    // Colours that will be made are shown as they will be.
    const made = list.unknown.flatMap(({ what, words, answer }) =>
      what === 'colour' && 'make' in answer ? [newColour(words, answer.make, known.palette)] : [],
    )
    const palette = [...known.palette, ...made]
    const all = [...known.moulds, ...madeMoulds(list.unknown)]
    const shown = [...kinds.values()].slice(0, SHOWN).map((part) => {
      const mould = all.find(({ code }) => code === part.mould)!
      return { ...part, print: part.printed ? printMade(part.name, part, mould.kind, palette) : null }
    })
    const inks = new Set(palette.map(({ code }) => code))
    for (const { print } of shown) if (print) for (const code of inksOf(print, inks)) codes.add(code)
    return {
      ...list,
      faults: list.faults.slice(0, MOST_TOLD),
      aside: list.aside.slice(0, MOST_TOLD),
      unknown: list.unknown.slice(0, MOST_TOLD),
      id,
      name: opened.name,
      encoding: opened.encoding,
      sheets: opened.sheets,
      sheet: opened.at,
      sum: {
        rows: list.text === null ? rows.length + list.entries.length : readNames(list.text).names.length,
        parts: rows.reduce((sum, { count }) => sum + count, 0),
        kinds: kinds.size,
        bins: new Set(rows.flatMap(({ bin }) => bin ?? [])).size,
        made: [...kinds.values()].filter(({ code }) => code === null).length,
        sets: sets.size,
        undated: [...sets.values()].filter((own) => own.every(({ year }) => year === null)).length,
        figures: new Set(
          rows.flatMap(({ set, figure }) => (figure === null ? [] : `${fold(set ?? '')} ${fold(figure)}`)),
        ).size,
      },
      shown,
      colours: [...known.palette.filter(({ code }) => codes.has(code)), ...made],
      moulds: [...known.moulds.filter(({ code }) => moulds.has(code)), ...madeMoulds(list.unknown)],
      bins: known.bins.map(({ code, name }) => ({ code, name })),
      sellers: known.sellers.map(({ code, name }) => ({ code, name })),
      unrated: await unratedOf(db, { ...list, rows }, today()),
      before: await this.before(db, opened, rows),
    }
  }

  /** Write a list as `look` told it. Rows with faults are left out; the caller has seen them. */
  async take(id: string, { encoding, sheet, choices = {} }: LookOptions, mode: IntakeMode): Promise<IntakeResult> {
    const opened = await this.files.open(id, {
      ...(encoding ? { encoding } : {}),
      ...(sheet !== undefined ? { sheet } : {}),
    })
    try {
      const result = await this.writer.transaction(async (db) => {
        const known = await knownTo(db)
        const list = await this.read(opened, known, await this.remembered(db, choices))
        if (list.kind === 'characters')
          throw new Problem(
            400,
            'Characters are added to a roster (POST rosters/:id/characters). Nothing was written.',
            [{ field: 'choices.kind', message: 'is no list of parts, sellers or colours' }],
          )
        if (list.rows.length + list.entries.length === 0)
          throw new Problem(400, 'There is no row that could be taken. Nothing was written.', [
            { field: 'rows', message: 'none could be taken' },
          ])
        await this.followers.much(list.rows.length + list.entries.length)
        const rates = choices.rates ?? {}
        const {
          undo,
          keepRows,
          remarks = [],
          ...written
        } = await this.lists.write(db, {
          name: opened.name,
          list,
          known,
          mode,
          rates,
          today: today(),
        })
        await db.insert(IntakeEntity, {
          id,
          at: today(),
          name: opened.name,
          hash: opened.hash,
          kind: list.kind,
          rows: list.rows.length + list.entries.length,
          act: written.act,
          undo,
          takenBack: null,
        })
        await keepRows?.(id)
        await writeRows(
          db,
          IntakeRemarkEntity,
          remarks.map((remark) => ({ intake: id, ...remark })),
        )
        for (const { key, answer, plain } of list.unknown)
          if (!plain) await db.upsert(IntakeAnswerEntity, { key, answer } as never, ['key'])
        return { id, ...written }
      })
      this.files.forget(id)
      return result
    } finally {
      this.changes.tell('catalogue', 'drawer', 'market')
    }
  }

  /** Read a list, giving way to others now and then. */
  private async read({ sheet, name }: OpenedList, known: KnownThings, choices: Choices): Promise<ReadList> {
    const breath = breathing()
    const reading = readingList(sheet, name, known, choices)
    for (;;) {
      const { done, value } = reading.next()
      if (done) return value
      await breath()
    }
  }

  /** Choices with what was said of words before; what is said now comes first. */
  private async remembered(db: EntityManager, choices: Choices): Promise<Choices> {
    const answers = await db.find(IntakeAnswerEntity)
    const before = Object.fromEntries(answers.map(({ key, answer }): [string, Answer] => [key, answer]))
    return { ...choices, answers: { ...before, ...choices.answers } }
  }

  private async before(db: EntityManager, opened: OpenedList, rows: ReadList['rows']): Promise<LookedAt['before']> {
    const [last] = await db.find(IntakeEntity, {
      where: [{ hash: opened.hash }, { name: opened.name }],
      order: { at: 'DESC', id: 'DESC' },
      take: 1,
    })
    if (!last) return null
    const lying = new Map<string, number>()
    for (const { part, bin, qty } of await db.find(LyingEntity))
      lying.set(`${part} ${bin}`, (lying.get(`${part} ${bin}`) ?? 0) + qty)
    const inside = groupBy(await db.find(ComponentEntity), ({ assembly }) => assembly)
    const there = (code: string, bin: string) =>
      unitsOf({ code, components: inside.get(code) ?? [] }, (part) => lying.get(`${part} ${bin}`) ?? 0)
    const differ = rows.filter(
      ({ part, bin, count }) => part.code === null || there(part.code, bin ?? UNSORTED.code) !== count,
    ).length
    return { at: last.at, same: last.hash === opened.hash, differ }
  }
}

/** What words of a list may mean: all there is in the workspace, and what the starter shelf has besides. */
async function knownTo(db: EntityManager): Promise<KnownThings> {
  const [shapes, parts, bins, sellers] = await Promise.all([
    ownAndStarter(db),
    db.find(PartEntity, { order: { code: 'ASC' } }),
    db.find(BinEntity, { where: { figure: IsNull(), outfit: IsNull(), holder: IsNull() }, order: { code: 'ASC' } }),
    db.find(SellerEntity, { order: { code: 'ASC' } }),
  ])
  return {
    ...shapes,
    parts: parts.map((part) => ({ ...part, components: [] })),
    bins,
    sellers,
  }
}
