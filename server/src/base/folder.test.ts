import { describe, expect, test } from '@jest/globals'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setAside } from './folder.ts'

const NOW = new Date('2026-05-04T08:00:00.000Z')

/** A data folder with these files in it; the text of a file is what it is known by again. */
function folderWith(files: Readonly<Record<string, string>>): string {
  const folder = mkdtempSync(join(tmpdir(), 'outfit-aside-'))
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(join(folder, name, '..'), { recursive: true })
    writeFileSync(join(folder, name), text)
  }
  return folder
}

/** What each folder of `set-aside` holds, by day and time. */
const aside = (folder: string): string[][] =>
  readdirSync(join(folder, 'set-aside'))
    .toSorted()
    .map((stamp) =>
      readdirSync(join(folder, 'set-aside', stamp))
        .toSorted()
        .map((name) => readFileSync(join(folder, 'set-aside', stamp, name), 'utf8')),
    )

describe('a database is put aside', () => {
  test('with its log, under the day and time; where none is, nothing is made', () => {
    const folder = folderWith({ 'outfit.sqlite': 'mine, damaged', 'outfit.sqlite-wal': 'its log' })
    expect(setAside(folder, NOW)).toBe(join(folder, 'set-aside', '2026-05-04T08-00-00-000Z'))
    expect(aside(folder)).toEqual([['mine, damaged', 'its log']])
    expect(readdirSync(folder)).toEqual(['set-aside'])
    expect(setAside(folder, NOW)).toBeNull()
  })

  test.each([
    ['before anything was moved', { 'outfit.sqlite': 'mine', 'set-aside/moving/nothing': '' }],
    ['between its log and itself', { 'outfit.sqlite': 'mine', 'set-aside/moving/outfit.sqlite-wal': 'its log' }],
    ['before it had its day and time', { 'set-aside/moving/outfit.sqlite': 'mine' }],
  ])('in one place, where a call was cut short %s', (_, files) => {
    const folder = folderWith(files as Record<string, string>)
    setAside(folder, NOW)
    expect(aside(folder)).toHaveLength(1)
    expect(aside(folder)[0]).toContain('mine')
    expect(readdirSync(folder)).toEqual(['set-aside'])
  })

  test('never over one that was being put aside before it', () => {
    const folder = folderWith({ 'set-aside/moving/outfit.sqlite': 'older', 'outfit.sqlite': 'newer' })
    setAside(folder, NOW)
    expect(aside(folder)).toEqual([['older'], ['newer']])
  })
})
