import { Module } from '@nestjs/common';
import { AccountsController } from './AccountsController.js';
import { AccountsService } from './AccountsService.js';
import { Passwords } from './Passwords.js';

@Module({
  controllers: [AccountsController],
  providers: [AccountsService, Passwords],
  exports: [AccountsService, Passwords],
})
export class AccountsModule {}
