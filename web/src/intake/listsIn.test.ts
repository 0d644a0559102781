/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals'
import { strToU8, zipSync } from 'fflate'
import { listsIn } from './listsIn.ts'

/** jsdom has files without their bytes. */
const file = (name: string, bytes: Uint8Array = strToU8('a;b')): File =>
  Object.assign(new File([], name), { arrayBuffer: async () => bytes.buffer.slice(0) as ArrayBuffer })
const zip = (members: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(members).map(([name, text]) => [name, strToU8(text)])))
const names = async (given: File[]) => {
  const { files, left, refused } = await listsIn(given)
  return { files: files.map(({ name }) => name), left, refused }
}

describe('what was dropped', () => {
  test('is lists, those in a ZIP too, without what systems put beside them; what is none is told', async () => {
    const packed = zip({
      'mine/parts.csv': 'a',
      'mine/prices.xlsx': 'b',
      'mine/photo.jpg': 'c',
      '__MACOSX/mine/._parts.csv': 'd',
      'mine/.DS_Store': 'e',
    })
    expect(await names([file('all.zip', packed), file('one.ods'), file('Thumbs.db'), file('letter.pdf')])).toEqual({
      files: ['parts.csv', 'prices.xlsx', 'one.ods'],
      left: ['mine/photo.jpg', 'letter.pdf'],
      refused: [],
    })
  })

  test('alone is looked at whatever it is called', async () => {
    expect((await names([file('liste')])).files).toEqual(['liste'])
  })

  test('as a damaged ZIP, an empty one, or a copy of a workspace is refused in a sentence', async () => {
    expect((await names([file('bad.zip', strToU8('PK nothing'))])).refused[0]).toMatch(/^bad.zip cannot be unpacked/)
    expect((await names([file('none.zip', zip({ 'a.jpg': '' }))])).refused).toEqual(['none.zip has no list in it.'])
    const copy = zip({ 'tables/part.jsonl': '', 'manifest.json': '{}' })
    const told = await names([file('copy.zip', copy)])
    expect([told.refused.length, told.left, told.refused[0]!.includes('is a copy of a workspace')]).toEqual([
      1,
      [],
      true,
    ])
    // What merely calls itself a manifest is no copy.
    expect((await names([file('app.zip', zip({ 'manifest.json': '{}', 'a.csv': 'a' }))])).refused).toEqual([])
  })

  test('as a ZIP of too many lists, or of ones that grow too large, is refused before they are unpacked', async () => {
    const limits = { files: 20, bytes: 2 * 1024 * 1024 }
    const many = zip(Object.fromEntries(Array.from({ length: 21 }, (_, i) => [`${i}.csv`, ''])))
    expect((await listsIn([file('many.zip', many)], limits)).refused[0]).toMatch(/more than 20 lists or 2 MB/)
    const big = zipSync({ 'big.csv': new Uint8Array(limits.bytes + 1) })
    expect(big.length).toBeLessThan(10_000)
    const { files, refused } = await listsIn([file('big.zip', big)], limits)
    expect([files, refused.length]).toEqual([[], 1])
  })
})
