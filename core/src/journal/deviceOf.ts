export const DEVICES = ['a computer', 'a phone', 'a program'] as const
export type Device = (typeof DEVICES)[number]

/** What somebody works with, by how it names itself: browsers of all kinds say so alike, and those of phones as well. */
export function deviceOf(agent: string): Device {
  if (!/^Mozilla\//.test(agent)) return 'a program'
  return /\bMobi/.test(agent) ? 'a phone' : 'a computer'
}
