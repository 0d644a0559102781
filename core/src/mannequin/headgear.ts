import type { Pen, Paint } from './pen.ts'
import * as short from './headgearShort.ts'
import * as long from './headgearLong.ts'
import * as hats from './headgearHats.ts'
import * as caps from './headgearCaps.ts'

/** Colours of a mould: main, second and third; the later ones fall back on the main one. */
export interface Paints {
  main: Paint
  second: Paint
  third: Paint
}

/**
 * Drawings of one headgear mould in head units: origin at the middle of the head, skull from −29 to 29, x from −33 to 33.
 * `behind` is hidden by the body in the front view; `back` is what is seen from behind.
 */
export interface HeadgearDrawing {
  behind?: (pen: Pen, paints: Paints) => void
  front: (pen: Pen, paints: Paints) => void
  back: (pen: Pen, paints: Paints) => void
}

/** Every headgear silhouette by name. */
export const HEADGEAR: Record<string, HeadgearDrawing> = {
  crop: short.crop,
  'side-parting': short.sideParting,
  quiff: short.quiff,
  tousled: short.tousled,
  crest: short.crest,
  'fringe-ring': short.fringeRing,
  'curly-top': short.curlyTop,
  'cloud-curls': short.cloudCurls,
  'bowl-cut': short.bowlCut,
  windswept: short.windswept,
  'high-bun': short.highBun,
  'twin-puffs': short.twinPuffs,
  'swept-tail': long.sweptTail,
  'side-braid': long.sideBraid,
  'two-plaits': long.twoPlaits,
  'low-bun': long.lowBun,
  'crown-braid': long.crownBraid,
  'blunt-bob': long.bluntBob,
  'long-straight': long.longStraight,
  'long-waves': long.longWaves,
  locs: long.locs,
  'deck-cap': hats.deckCap,
  'oilskin-hat': hats.oilskinHat,
  'straw-hat': hats.strawHat,
  headscarf: hats.headscarf,
  'bobble-cap': hats.bobbleCap,
  'brimmed-hat': hats.brimmedHat,
  'flat-beret': hats.flatBeret,
  'lamp-helmet': hats.lampHelmet,
  'peaked-hat': caps.peakedHat,
  'sun-visor': caps.sunVisor,
  'flower-ring': caps.flowerRing,
  'rain-hood': caps.rainHood,
  'divers-dome': caps.diversDome,
  'cap-with-braid': caps.capWithBraid,
}
