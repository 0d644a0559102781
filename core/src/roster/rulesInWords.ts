import type { AlterationKind, Level } from '../catalogue/index.ts'
import { homeMoney } from '../market/index.ts'
import type { Faces, HouseRules, School, Skins, Switches } from './houseRules.ts'

/** The schools in plain words: what each is called and allows. */
export const SCHOOL_WORDS: Readonly<Record<School, { label: string; allows: string }>> = {
  'as-released': {
    label: 'As released',
    allows: 'Whole assemblies as they were sold. Heads, hair, legs and gear may be exchanged.',
  },
  'exchange-only': {
    label: 'Exchange only',
    allows: 'Arms, hands and single legs may be exchanged too. Nothing is altered, and every part is the maker’s.',
  },
  altered: {
    label: 'Altered',
    allows: 'Prints may be removed, parts trimmed, cut, painted and given stickers, each for good.',
  },
  'open-bench': { label: 'Open bench', allows: 'Parts made by others may be worn as well.' },
}

/** How far things are taken apart, in words. */
export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  0: 'as sold',
  1: 'figures into whole assemblies',
  2: 'hands off their arms too',
  3: 'arms off their torso too, which strains it',
  4: 'single legs off their hips too',
  5: 'anything, altered for good',
}

/** What is done to a part for good: what it is called, and how it is said of a part. */
export const ALTERATION_WORDS: Readonly<Record<AlterationKind, { label: string; done: string }>> = {
  'print-removed': { label: 'Remove the print', done: 'print removed' },
  trimmed: { label: 'Trim', done: 'trimmed' },
  cut: { label: 'Cut', done: 'cut' },
  painted: { label: 'Paint', done: 'painted' },
  sticker: { label: 'Put a sticker on', done: 'with a sticker' },
  'by-others': { label: 'Use a copy by others', done: 'a copy by others' },
}

export const FACES_WORDS: Readonly<Record<Faces, string>> = {
  any: 'faces may repeat',
  'told-apart': 'told apart by face, expression, hair or its colour',
  'all-different': 'every face its own',
}

export const SKINS_WORDS: Readonly<Record<Skins, string>> = {
  any: 'any',
  classic: 'the one classic tone',
  natural: 'natural tones',
}

/** Switches: what each is called, and why one would set it. */
export const SWITCH_WORDS: Readonly<Record<keyof Switches, { label: string; why: string }>> = {
  takingApart: {
    label: 'Taken apart',
    why: 'How far what is owned or bought comes apart for its parts, in the tray, in castings and in sourcing.',
  },
  alterations: { label: 'Alterations', why: 'What may be done to a part for good.' },
  byOthers: { label: 'Parts by others', why: 'Pieces that are not the maker’s.' },
  turnedTorsos: { label: 'Turned torsos', why: 'A torso worn back to front for the sake of its back print.' },
  mostMainColours: { label: 'Main colours', why: 'Besides skin and hair; more make a figure restless.' },
  faces: { label: 'Faces', why: 'How different people of the roster must look.' },
  sameHead: { label: 'One head a person', why: 'Whoever has several outfits keeps the same head.' },
  skins: { label: 'Skin', why: 'One classic tone for everybody, or natural tones.' },
  mixedStyles: { label: 'Old and new faces', why: 'Faces of both drawing styles in one group.' },
  spendingLimit: { label: 'Most an outfit costs', why: 'In single parts to buy at today’s lowest prices.' },
  excluded: { label: 'Not from', why: 'Figures and releases whose parts are left out, such as an official version.' },
}

/** A switch as it stands: "3 at most", "not allowed". */
export function switchInWords(rules: HouseRules, key: keyof Switches): string {
  const allowed = (yes: boolean) => (yes ? 'allowed' : 'not allowed')
  switch (key) {
    case 'takingApart':
      return LEVEL_WORDS[rules.takingApart]
    case 'alterations':
      return rules.alterations.length === 0
        ? 'none'
        : rules.alterations.map((kind) => ALTERATION_WORDS[kind].done).join(', ')
    case 'mostMainColours':
      return rules.mostMainColours === null ? 'any number' : `${rules.mostMainColours} at most`
    case 'faces':
      return FACES_WORDS[rules.faces]
    case 'sameHead':
      return rules.sameHead ? 'the same head' : 'any head'
    case 'skins':
      return SKINS_WORDS[rules.skins]
    case 'mixedStyles':
      return rules.mixedStyles ? 'may mix' : 'do not mix'
    case 'spendingLimit':
      return rules.spendingLimit === null ? 'no limit' : homeMoney(rules.spendingLimit)
    case 'excluded': {
      const { figures, releases } = rules.excluded
      return figures.length + releases.length === 0 ? 'nothing' : [...figures, ...releases].join(', ')
    }
    case 'byOthers':
    case 'turnedTorsos':
      return allowed(rules[key])
  }
}
