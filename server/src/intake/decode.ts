import { analyse } from 'chardet'
import iconv from 'iconv-lite'
import { isUtf8 } from 'node:buffer'
import type { Encoding } from '@outfit/core/intake'

/** Bytes looked at to tell the encoding. */
const LOOKED_AT = 65_536

/** Letters of lists in the languages of the lexicon; what none of them has was read in the wrong encoding. */
const LIKELY = /[äöüßéèêàçñáíóúâîôûëïœæåøąćęłńśźżãõ€£„“”’–°½×]/giu
const UNLIKELY = /[\u0080-\u009f¤¦¨¬¯¸¹þðÞÐ\ufffd‡†ˆ‰‹›ƒŽž¾¼]|[A-Za-z][ŠÃÂ¿¡Œ÷×](?=[a-z])/gu

/** The encoding bytes are most likely in: what marks itself or can be nothing else, then the guess of `chardet` weighed by what it would read. */
export function encodingOf(bytes: Buffer): Encoding {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le'
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be'
  const start = bytes.subarray(0, LOOKED_AT)
  const zeros = (from: number) =>
    start.filter((byte, i) => i % 2 === from && byte === 0).length / (start.length / 2 || 1)
  // Two bytes a letter, so that an odd count is something else.
  const even = bytes.length % 2 === 0
  if (even && zeros(1) > 0.4) return 'utf-16le'
  if (even && zeros(0) > 0.4) return 'utf-16be'
  if (isUtf8(bytes)) return 'utf-8'
  const guesses = new Map(analyse(start).map(({ name, confidence }) => [name.toLowerCase(), confidence]))
  const scored = (['windows-1252', 'windows-1250', 'iso-8859-15', 'macroman'] as const).map((encoding) => {
    const text = decode(start, encoding)
    const likely = text.match(LIKELY)?.length ?? 0
    const unlikely = text.match(UNLIKELY)?.length ?? 0
    return { encoding, score: likely - 3 * unlikely + (guesses.get(encoding) ?? 0) / 200 }
  })
  // Among equals the first, which is the commonest.
  return scored.reduce((best, one) => (one.score > best.score ? one : best)).encoding
}

/** Bytes of a file as text, in an encoding, without the mark of the byte order. */
export function decode(bytes: Buffer, encoding: Encoding): string {
  const text = iconv.decode(bytes, encoding).replace(/^\uFEFF/, '')
  // Where the sign for any currency once was, Mac OS has had the euro since version 8.5.
  return encoding === 'macroman' ? text.replaceAll('¤', '€') : text
}
