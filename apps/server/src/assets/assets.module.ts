import { Module } from '@nestjs/common';
import { AssetsController } from './AssetsController.js';
import { AssetsService } from './AssetsService.js';
import { FilesController } from './FilesController.js';

@Module({
  controllers: [AssetsController, FilesController],
  providers: [AssetsService],
  exports: [AssetsService],
})
export class AssetsModule {}
