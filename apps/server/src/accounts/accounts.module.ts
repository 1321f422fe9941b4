import { Module } from '@nestjs/common';
import { OutboxModule } from '../outbox/outbox.module.js';
import { AccountsController } from './AccountsController.js';
import { AccountsService } from './AccountsService.js';
import { OwnAccount } from './OwnAccount.js';
import { OwnAccountController } from './OwnAccountController.js';
import { Passwords } from './Passwords.js';

@Module({
  imports: [OutboxModule],
  controllers: [AccountsController, OwnAccountController],
  providers: [AccountsService, OwnAccount, Passwords],
  exports: [AccountsService, Passwords],
})
export class AccountsModule {}
