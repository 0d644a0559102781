/** Text as it may stand in an SVG document and its attributes. */
export const svgText = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;')

/** A length to a hundredth, which is finer than any screen or printer shows. */
export const hundredth = (value: number): number => Math.round(value * 100) / 100
