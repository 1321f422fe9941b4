import { Module } from '@nestjs/common';
import { AccountsModule } from '../accounts/accounts.module.js';
import { DecksController } from './DecksController.js';
import { DecksService } from './DecksService.js';

@Module({
  imports: [AccountsModule],
  controllers: [DecksController],
  providers: [DecksService],
  exports: [DecksService],
})
export class DecksModule {}
