import { Module } from '@nestjs/common';
import { DecksController } from './DecksController.js';
import { DecksService } from './DecksService.js';

@Module({
  controllers: [DecksController],
  providers: [DecksService],
  exports: [DecksService],
})
export class DecksModule {}
