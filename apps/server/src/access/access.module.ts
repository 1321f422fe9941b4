import { Global, Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { AccessService } from './AccessService.js';
import { AccessGuard } from './guards.js';
import { Throttle } from './Throttle.js';

@Global()
@Module({
  providers: [AccessService, Throttle, { provide: APP_GUARD, useClass: AccessGuard }],
  exports: [AccessService, Throttle],
})
export class AccessModule {}
