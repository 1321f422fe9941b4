import { Module } from '@nestjs/common';
import { AccountsModule } from '../accounts/accounts.module.js';
import { AssetsModule } from '../assets/assets.module.js';
import { DecksModule } from '../decks/decks.module.js';
import { PublicationsController } from './PublicationsController.js';
import { PublishedController } from './PublishedController.js';
import { PublishingService } from './PublishingService.js';
import { Readings } from './Readings.js';

@Module({
  imports: [AccountsModule, AssetsModule, DecksModule],
  controllers: [PublicationsController, PublishedController],
  providers: [PublishingService, Readings],
  exports: [Readings],
})
export class PublishingModule {}
