import type { PartKind } from '../catalogue/index.ts'
import { MARK_SHAPES } from './emblems.ts'
import { FACE_SHAPES } from './face.ts'
import { LAYERS } from './layerKinds.ts'
import { penFor } from './pen.ts'
import { DIGITS } from './torsoPrints.ts'

/** What a print layer can be told: settings that are colours, and words with the choices there are. */
export interface LayerSettings {
  colours: string[]
  words: Record<string, readonly string[]>
}

/** Choices of word settings, which a drawing cannot tell by itself. */
const CHOICES: Record<string, readonly string[]> = {
  ...FACE_SHAPES,
  'mark shape': MARK_SHAPES,
  'number digit': Object.keys(DIGITS),
  'stripe side': ['right', 'left'],
}

/**
 * The settings of a layer, found by drawing it and noting what it asks for, so that they cannot drift from the drawing.
 * Null for a layer the kind of part does not know.
 */
export function layerSettings(kind: PartKind, layer: string): LayerSettings | null {
  const draw = LAYERS[kind]?.[layer]
  if (!draw) return null
  const colours = new Set<string>()
  const words = new Set<string>()
  const watch = (chosen: Record<string, string>) =>
    draw({
      pen: penFor([], 'torso'),
      base: '#808080',
      outline: 'M0 0L1 0L1 1Z',
      colour: (setting, fallback = '#808080') => {
        colours.add(setting)
        return fallback
      },
      word: (setting, fallback) => {
        words.add(setting)
        return chosen[setting] ?? fallback
      },
    })
  watch({})
  // Another shape may ask for other colours.
  for (const word of [...words]) for (const choice of CHOICES[`${layer} ${word}`] ?? []) watch({ [word]: choice })
  return {
    colours: [...colours],
    words: Object.fromEntries([...words].map((word) => [word, CHOICES[`${layer} ${word}`] ?? []])),
  }
}
