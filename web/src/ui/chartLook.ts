/** Colours of charts. As SVG a chart follows the colours of the page, by day and by night. */
export const BLUE = 'var(--act)'
export const INK = 'var(--ink)'
const SOFT = 'var(--soft)'
const RULE = 'var(--rule)'
export const PAPER = 'var(--paper)'
export const MOSS = 'var(--good)'
export const MUSTARD = 'var(--notice)'
export const CORAL = 'var(--problem)'

/** What all charts with two axes have in common. */
export const CHART = {
  animation: false,
  textStyle: { fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
}

/** An axis, with its own settings, and those of the labels along it. */
export const axis = <A extends object>(settings: A, labels: object = {}) => ({
  ...settings,
  nameTextStyle: { color: SOFT },
  axisLabel: { color: SOFT, ...labels },
  axisLine: { lineStyle: { color: SOFT } },
  splitLine: { lineStyle: { color: RULE } },
})
