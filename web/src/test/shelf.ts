import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'

/** An outfit on a shelf for tests, that wears nothing unless told. */
export const shelfOutfit = (name: string, more: Partial<ShelfOutfit> = {}): ShelfOutfit => ({
  id: name,
  name,
  faction: '',
  stature: 'full',
  character: name,
  characterId: name,
  years: null,
  credits: '',
  verdict: '',
  switches: {},
  switchesReason: '',
  uniform: null,
  base: null,
  placements: [],
  from: [],
  state: 'idea',
  owned: 0,
  toBuy: 0,
  arriving: 0,
  toCome: { money: 0, unsold: 0 },
  pins: [],
  ...more,
})

/** A roster for tests. */
export const shelfRoster = (outfits: ShelfOutfit[], more: Partial<RosterShelf> = {}): RosterShelf => ({
  id: 'r',
  name: 'R',
  note: '',
  rules: '',
  switches: {},
  version: 1,
  budget: null,
  currency: 'EUR',
  dueOn: null,
  paid: 0,
  uniforms: [],
  heads: {},
  outfits,
  ...more,
})
