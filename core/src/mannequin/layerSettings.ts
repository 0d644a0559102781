import { own } from '../base/index.ts'
import type { Layer, PartKind } from '../catalogue/index.ts'
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
  const draw = own(LAYERS[kind] ?? {}, layer)
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
  for (const word of [...words]) for (const choice of own(CHOICES, `${layer} ${word}`) ?? []) watch({ [word]: choice })
  return {
    colours: [...colours],
    words: Object.fromEntries([...words].map((word) => [word, own(CHOICES, `${layer} ${word}`) ?? []])),
  }
}

const known = new Map<string, LayerSettings | null>()

/**
 * What is wrong with a print layer for a kind of part: a layer that kind does not know, a word that is none of its choices,
 * a colour nobody has; each with the setting it concerns. Settings a layer does not ask for are left alone.
 */
export function layerFaults(
  kind: PartKind,
  layer: Layer,
  isColour: (code: string) => boolean,
): { setting: string; reason: string }[] {
  const key = `${kind} ${layer.kind}`
  const settings = known.get(key) ?? layerSettings(kind, layer.kind)
  known.set(key, settings)
  if (!settings) return [{ setting: 'kind', reason: `layer "${layer.kind}" is not known for ${kind}` }]
  return Object.entries(layer).flatMap(([setting, value]) => {
    const at = { setting }
    if (!['string', 'number', 'boolean'].includes(typeof value))
      return [{ ...at, reason: `${setting} of layer "${layer.kind}" must be a word or a number` }]
    const word = String(value)
    const choices = own(settings.words, setting) ?? []
    if (choices.length > 0 && !choices.includes(word))
      return [
        { ...at, reason: `${setting} of layer "${layer.kind}" must be one of ${choices.join(', ')}; it is "${word}"` },
      ]
    if (settings.colours.includes(setting) && !isColour(word))
      return [{ ...at, reason: `${setting} of layer "${layer.kind}": there is no colour "${word}"` }]
    return []
  })
}
