import { describe, expect, test } from '@jest/globals'
import { HOUSE_RULES, houseRulesOf, SCHOOLS, SWITCHES, switchesOver } from './houseRules.ts'
import { SCHOOL_WORDS, SWITCH_WORDS, switchInWords } from './rulesInWords.ts'

describe('house rules', () => {
  test('each school allows what the ones before it do', () => {
    SCHOOLS.map((school) => HOUSE_RULES[school]).reduce((before, rules) => {
      expect(rules.takingApart).toBeGreaterThanOrEqual(before.takingApart)
      expect(rules.alterations).toEqual(expect.arrayContaining([...before.alterations]))
      expect(Number(rules.byOthers)).toBeGreaterThanOrEqual(Number(before.byOthers))
      return rules
    })
  })

  test('switches of the roster lie over the school, and those of an outfit over them', () => {
    const rules = houseRulesOf('exchange-only', { mostMainColours: 4, turnedTorsos: false }, { mostMainColours: null })
    expect([rules.mostMainColours, rules.turnedTorsos, rules.takingApart]).toEqual([null, false, 4])
    expect(houseRulesOf('no such school')).toBe(HOUSE_RULES['exchange-only'])
  })

  test('a switch that says what is so already is none', () => {
    const base = HOUSE_RULES.altered
    expect(switchesOver(base, { ...base })).toEqual({})
    expect(switchesOver(base, { ...base, faces: 'any', excluded: { figures: ['F-0001'], releases: [] } })).toEqual({
      faces: 'any',
      excluded: { figures: ['F-0001'], releases: [] },
    })
  })

  test('every school and switch has words, and says how it stands', () => {
    for (const school of SCHOOLS) expect(SCHOOL_WORDS[school].allows).not.toBe('')
    for (const key of SWITCHES) {
      expect(SWITCH_WORDS[key].label).not.toBe('')
      expect(switchInWords(HOUSE_RULES['exchange-only'], key)).not.toBe('')
    }
    expect(switchInWords(houseRulesOf('altered', { spendingLimit: 1250 }), 'spendingLimit')).toBe('€12.50')
    expect(switchInWords(HOUSE_RULES.altered, 'alterations')).toBe(
      'print removed, trimmed, cut, painted, with a sticker',
    )
  })
})
