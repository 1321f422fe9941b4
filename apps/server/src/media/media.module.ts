import { Module } from '@nestjs/common';
import { MediaController } from './MediaController.js';
import { MediaService } from './MediaService.js';

@Module({ controllers: [MediaController], providers: [MediaService] })
export class MediaModule {}
