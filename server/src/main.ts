import 'reflect-metadata'
import { createApp } from './app/createApp.ts'
import { readSettings } from './app/settings.ts'
import { forgetHalfLoaded, loadSampleWorld } from './import/sampleWorld.ts'

const settings = readSettings(process.argv.slice(2))
if (settings.world) forgetHalfLoaded(settings.data)
const app = await createApp(settings)
await app.init()
if (settings.world) await loadSampleWorld(app, settings.world, settings.data)
await app.listen(settings.port, '127.0.0.1')
console.log(`Outfit is ready at ${(await app.getUrl()).replace('[::1]', '127.0.0.1')}`)
