/** Characters XML 1.0 has no place for: control characters, halves of pairs, and the two that are none. */
const NO_XML =
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g

/** Text as it may stand in an SVG document and its attributes. */
export const svgText = (text: string): string =>
  text.replace(NO_XML, '').replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;')

/** A length to a hundredth, which is finer than any screen or printer shows. */
export const hundredth = (value: number): number => Math.round(value * 100) / 100
