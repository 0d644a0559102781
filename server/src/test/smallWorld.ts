import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const WORLD = fileURLToPath(new URL('../../../demo/world', import.meta.url))
/** The roster of the sample world that is kept. */
const ROSTER = 'Ferry people'
/** Releases that are kept: a box, and a blind pack with what its cases hold. */
const RELEASES = ['Q-101', 'Q-108']
/** Offers that are kept. */
const OFFERS = 60

type Row = Record<string, string>

const inReleases = ({ release }: Row) => RELEASES.includes(release!)

/**
 * The sample world with one of its rosters, what that wears and a few offers, for tests that need a world of every kind of row and ask
 * nothing of its size: it is brought in, archived and brought back in a fraction of the time. The folder of its tables, written
 * once a run.
 */
export function smallWorld(): string {
  const shared = join(process.env['OUTFIT_TEST_RUN']!, 'small-world')
  if (existsSync(shared)) return shared
  const folder = mkdtempSync(`${shared}-`)
  const table = (name: string) => parse(readFileSync(join(WORLD, `${name}.csv`), 'utf8'), { columns: true }) as Row[]
  const write = (name: string, keep: (row: Row) => boolean) => {
    const head = readFileSync(join(WORLD, `${name}.csv`), 'utf8')
      .split('\n', 1)[0]!
      .trim()
      .split(',')
    writeFileSync(join(folder, `${name}.csv`), stringify(table(name).filter(keep), { header: true, columns: head }))
  }
  const file = JSON.parse(readFileSync(join(WORLD, 'rosters.json'), 'utf8')) as {
    rosters: { name: string }[]
    made: { name: string }[]
  }
  const rosters = file.rosters.filter(({ name }) => name === ROSTER)
  const worn = JSON.stringify(rosters)
  const made = file.made.filter(({ name }) => worn.includes(JSON.stringify(name)))
  const text = JSON.stringify([rosters, made])
  // What is sold together and what is made of others comes with all it is of.
  const figures = new Set<string>()
  const parts = new Set([...text.matchAll(/"(P-\d+)"/g)].map(([, code]) => code!))
  const put = (row: Row) => void (row['kind'] === 'figure' ? figures : parts).add(row['code']!)
  table('release-contents').filter(inReleases).forEach(put)
  table('case-contents')
    .filter(inReleases)
    .forEach(({ figure }) => figures.add(figure!))
  for (const { figure, part } of table('figure-parts')) if (figures.has(figure!)) parts.add(part!)
  // Whoever has one of an assembly's pieces may have it whole.
  const assemblies = new Set(table('components').flatMap(({ assembly, part }) => (parts.has(part!) ? [assembly!] : [])))
  for (const { assembly, part } of table('components')) if (assemblies.has(assembly!)) parts.add(assembly!).add(part!)
  const prints = new Set(table('parts').flatMap(({ code, print }) => (parts.has(code!) ? [print!] : [])))
  write('parts', ({ code }) => parts.has(code!))
  write('components', ({ assembly }) => parts.has(assembly!))
  write('prints', ({ code }) => prints.has(code!) || text.includes(code!))
  write('bins', ({ figure }) => figure === '')
  const bins = new Set(table('bins').flatMap(({ code, figure }) => (figure === '' ? [code!] : [])))
  write('owned', ({ part, bin }) => parts.has(part!) && bins.has(bin!))
  let offers = 0
  write('offers', ({ kind, code }) => kind === 'part' && parts.has(code!) && offers++ < OFFERS)
  for (const name of ['colours', 'moulds', 'sellers', 'rates']) write(name, () => true)
  write('figures', ({ code }) => figures.has(code!))
  write('figure-parts', ({ figure }) => figures.has(figure!))
  write('releases', ({ code }) => RELEASES.includes(code!))
  write('release-contents', inReleases)
  write('case-contents', inReleases)
  writeFileSync(join(folder, 'rosters.json'), JSON.stringify({ ...file, rosters, made, later: [] }))
  mkdirSync(join(folder, 'references'))
  for (const [name] of text.matchAll(/references\/[\w-]+\.svg/g)) cpSync(join(WORLD, name), join(folder, name))
  try {
    renameSync(folder, shared)
  } catch (error) {
    // Another worker was writing it at the same time, and was quicker.
    if (!existsSync(shared)) throw error
    rmSync(folder, { recursive: true })
  }
  return shared
}
