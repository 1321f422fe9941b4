import { Module } from '@nestjs/common';
import { OutboxModule } from '../outbox/outbox.module.js';
import { SharingModule } from '../sharing/sharing.module.js';
import { CommentsController } from './CommentsController.js';
import { CommentsService } from './CommentsService.js';

@Module({
  imports: [OutboxModule, SharingModule],
  controllers: [CommentsController],
  providers: [CommentsService],
})
export class CommentsModule {}
