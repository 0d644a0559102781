import { setFlagsFromString } from 'node:v8'
import { takePort } from './base/door.ts'
import { holdFolder, setAside } from './base/folder.ts'
import { refusalOf, StartRefused } from './base/refusal.ts'
import { readSettings, type Settings } from './base/settings.ts'

/**
 * Litter may grow to half of what is in use before it is taken away. As it comes V8 lets it grow to three times as much: a
 * market of a million offers, of which 160 MB are in use, then takes a gigabyte.
 */
setFlagsFromString('--heap-growing-percent=50')

// Files of a data folder are for the account that owns them.
process.umask(0o077)

/**
 * First the port, then the folder: nothing of a folder is touched that another Outfit uses. The application is loaded after
 * that, so that what cannot start says so at once.
 */
async function start(settings: Settings): Promise<void> {
  const door = await takePort(settings.port)
  const folder = holdFolder(settings.data, door.port)
  if (settings.fresh) {
    const aside = setAside(settings.data)
    if (aside) console.log(`What was there is kept in ${aside}`)
  }
  await import('reflect-metadata')
  const { world } = settings
  if (world) {
    const { bringSampleWorld } = await import('./app/sampleWorld.ts')
    if ((await bringSampleWorld({ ...settings, world })) === 'not ours')
      console.log(`${settings.data} holds data of your own; no sample world was brought into it.`)
  }
  const { copyBeforeUpdate } = await import('./archive/copyBeforeUpdate.ts')
  const copy = await copyBeforeUpdate(settings.data)
  if (copy) console.log(`What an older Outfit kept here is copied to ${copy} before it is brought up to date.`)
  const { createApp } = await import('./app/createApp.ts')
  const app = await createApp(settings, { door })
  await app.init()
  const { ArchiveService } = await import('./archive/archiveService.ts')
  app.get(ArchiveService).keepDaily()
  door.open(app.getHttpAdapter().getInstance() as Parameters<typeof door.open>[0])
  process.once('exit', () => folder.release())
  const { letOthersIn } = await import('./access/letOthersIn.ts')
  const others = await letOthersIn(app, settings, door.port)
  const address = `http://127.0.0.1:${door.port}`
  if (settings.back) answerTo(address)
  console.log(`Outfit is ready at ${address}`)
  for (const line of others) console.log(line)
}

/** A sample world is of the program that began it: it says where it is, and ends with it. */
function answerTo(address: string): void {
  process.once('disconnect', () => process.exit(0))
  process.send?.({ address })
}

try {
  const settings = readSettings(process.argv.slice(2))
  // A disk may fill up at any step.
  await start(settings).catch((error: unknown) => {
    throw refusalOf(error, settings.data) ?? error
  })
} catch (error) {
  // One sentence for the person; the rest only where we did not foresee it.
  console.error(error instanceof StartRefused ? error.message : error)
  process.exit(error instanceof StartRefused ? 2 : 1)
}
