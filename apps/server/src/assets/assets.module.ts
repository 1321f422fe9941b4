import { Module } from '@nestjs/common';
import { AssetsController } from './AssetsController.js';
import { AssetsService } from './AssetsService.js';

@Module({ controllers: [AssetsController], providers: [AssetsService], exports: [AssetsService] })
export class AssetsModule {}
