import { Global, Module } from '@nestjs/common';
import { SyncService } from './SyncService.js';
import { UpdateStore } from './UpdateStore.js';

@Global()
@Module({ providers: [SyncService, UpdateStore], exports: [SyncService, UpdateStore] })
export class SyncModule {}
