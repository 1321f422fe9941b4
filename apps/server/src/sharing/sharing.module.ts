import { Module } from '@nestjs/common';
import { DecksModule } from '../decks/decks.module.js';
import { OutboxModule } from '../outbox/outbox.module.js';
import { CopiesController, InvitationsController, SharingController } from './SharingController.js';
import { SharingService } from './SharingService.js';

@Module({
  imports: [OutboxModule, DecksModule],
  controllers: [SharingController, CopiesController, InvitationsController],
  providers: [SharingService],
  exports: [SharingService],
})
export class SharingModule {}
