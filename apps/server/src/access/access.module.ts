import { Global, Module } from '@nestjs/common';
import { AccessService } from './AccessService.js';
import { Throttle } from './Throttle.js';

@Global()
@Module({
  providers: [AccessService, Throttle],
  exports: [AccessService, Throttle],
})
export class AccessModule {}
