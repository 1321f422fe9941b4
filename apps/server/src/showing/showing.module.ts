import { Module } from '@nestjs/common';
import { PublishingModule } from '../publishing/publishing.module.js';
import { ShowKeeper } from './ShowKeeper.js';
import { ShowsController } from './ShowsController.js';
import { ShowsService } from './ShowsService.js';

@Module({
  imports: [PublishingModule],
  controllers: [ShowsController],
  providers: [ShowsService, ShowKeeper],
})
export class ShowingModule {}
