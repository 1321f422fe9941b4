import { Module } from '@nestjs/common';
import { OutboxModule } from '../outbox/outbox.module.js';
import { InvitationsController, SharingController } from './SharingController.js';
import { SharingService } from './SharingService.js';

@Module({
  imports: [OutboxModule],
  controllers: [SharingController, InvitationsController],
  providers: [SharingService],
})
export class SharingModule {}
