/** Whether the long forms of tests are asked for (`npm run test:long`). */
export const LONG = process.env['OUTFIT_LONG'] === '1'

/** How many random cases a property is tried on: `usual` in every run, ten times as many in the long one. */
export const runs = (usual: number): number => (LONG ? usual * 10 : usual)
