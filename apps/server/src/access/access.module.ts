import { Global, Module } from '@nestjs/common';
import { AccessService } from './AccessService.js';
import { FailureThrottle } from './FailureThrottle.js';

@Global()
@Module({
  providers: [AccessService, FailureThrottle],
  exports: [AccessService, FailureThrottle],
})
export class AccessModule {}
