import { Module } from '@nestjs/common';
import { AccountsController } from './AccountsController.js';
import { AccountsService } from './AccountsService.js';

@Module({
  controllers: [AccountsController],
  providers: [AccountsService],
  exports: [AccountsService],
})
export class AccountsModule {}
