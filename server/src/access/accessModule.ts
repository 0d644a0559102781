import { Module } from '@nestjs/common'
import { SETTINGS, type Settings } from '../base/settings.ts'
import { Access } from './access.ts'
import { AccessController } from './accessController.ts'
import { Network } from './network.ts'

/** Other devices: who may come in, and by which way. */
@Module({
  controllers: [AccessController],
  providers: [
    { provide: Access, inject: [SETTINGS], useFactory: ({ data }: Settings) => new Access(data) },
    { provide: Network, inject: [Access], useFactory: (access: Access) => new Network(access) },
  ],
})
export class AccessModule {}
