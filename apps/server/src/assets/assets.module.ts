import { Module } from '@nestjs/common';
import { AssetsController } from './AssetsController.js';
import { AssetsService } from './AssetsService.js';
import { DrawingService } from './DrawingService.js';
import { FilesController } from './FilesController.js';

@Module({
  controllers: [AssetsController, FilesController],
  providers: [AssetsService, DrawingService],
  exports: [AssetsService],
})
export class AssetsModule {}
