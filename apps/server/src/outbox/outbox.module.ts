import { Module } from '@nestjs/common';
import { Outbox } from './Outbox.js';
import { OutboxController } from './OutboxController.js';

@Module({ controllers: [OutboxController], providers: [Outbox], exports: [Outbox] })
export class OutboxModule {}
