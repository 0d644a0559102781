import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readNames } from './readNames.ts'

describe('a list of names', () => {
  test('has one a line, empty lines skipped', () => {
    expect(readNames('Ada Quill\n\n  Bo Reed \r\nCy')).toEqual({
      names: [
        { line: 1, name: 'Ada Quill', faction: '', years: null, notes: '' },
        { line: 3, name: 'Bo Reed', faction: '', years: null, notes: '' },
        { line: 4, name: 'Cy', faction: '', years: null, notes: '' },
      ],
      faults: [],
      doubles: [],
    })
    expect(readNames('')).toEqual({ names: [], faults: [], doubles: [] })
  })

  test('may be a table with faction, age and notes, in any order and with any usual separator', () => {
    const { names } = readNames('Age;Name;Team;Note\n9;Ada;Cooks;"Small; quick"\n;Bo;Makers;')
    expect(names).toEqual([
      { line: 2, name: 'Ada', faction: 'Cooks', years: 9, notes: 'Small; quick' },
      { line: 3, name: 'Bo', faction: 'Makers', years: null, notes: '' },
    ])
    expect(readNames('name\tage\nAda\t9').names[0]).toMatchObject({ name: 'Ada', years: 9 })
  })

  test('loses nothing that is told of a name', () => {
    const told = readNames('Ada: old woman, grey bun\nBo - boy, red cap\nCy;tall\nOdile, skipper\nTeo\tcurly\nR2: ')
    expect(told.names.map(({ name, notes }) => [name, notes])).toEqual([
      ['Ada', 'old woman, grey bun'],
      ['Bo', 'boy, red cap'],
      ['Cy', 'tall'],
      ['Odile, skipper', ''],
      ['Teo', 'curly'],
      ['R2:', ''],
    ])
    const { names } = readNames('Figur;Alter;Beschreibung;Bemerkung;Hut\nAda;70;grauer Dutt;leise;Mütze\nBo;;;;')
    expect(names).toEqual([
      { line: 2, name: 'Ada', faction: '', years: 70, notes: 'grauer Dutt\nleise\nHut: Mütze' },
      { line: 3, name: 'Bo', faction: '', years: null, notes: '' },
    ])
    // A second column of a kind is kept too.
    expect(readNames('name,team,group\nAda,Cooks,Left').names[0]).toMatchObject({
      faction: 'Cooks',
      notes: 'group: Left',
    })
  })

  test('says by line what cannot be read, and takes the rest', () => {
    const { names, faults } = readNames(`name,age\nAda,nine\n,7\n${'x'.repeat(121)},3\nBo,200\nCy,12`)
    expect(names.map(({ name }) => name)).toEqual(['Cy'])
    expect(faults).toEqual([
      { line: 2, message: '"nine" is no age in whole years' },
      { line: 3, message: 'there is no name' },
      { line: 4, message: 'the name is longer than 120 characters' },
      { line: 5, message: '"200" is no age in whole years' },
    ])
    expect(readNames('name,age\nAda,"9').faults[0]!.message).toMatch(/^this is not a table/)
  })

  test('points out names that come twice, or that the roster has', () => {
    const { names, doubles } = readNames('Ada Quill\nBo\nada  quill\nBO', ['Bo'])
    expect(names).toHaveLength(4)
    expect(doubles).toEqual([
      { line: 2, name: 'Bo', other: 'the roster' },
      { line: 3, name: 'ada  quill', other: 'line 1' },
      { line: 4, name: 'BO', other: 'the roster' },
    ])
  })

  test('loses no name', () => {
    const word = fc.stringMatching(/^[A-Za-z]{1,12}$/).filter((name) => !/^(name|character)$/i.test(name))
    fc.assert(
      fc.property(fc.array(word, { maxLength: 30 }), (list) => {
        const { names, doubles } = readNames(list.join('\n'))
        expect(names.map(({ name }) => name)).toEqual(list)
        expect(doubles.length).toBe(list.length - new Set(list.map((name) => name.toLowerCase())).size)
      }),
    )
  })
})
