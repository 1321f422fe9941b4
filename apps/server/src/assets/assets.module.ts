import { Module } from '@nestjs/common';
import { AssetsController } from './AssetsController.js';
import { AssetsService } from './AssetsService.js';
import { PictureMaker } from './PictureMaker.js';
import { FilesController } from './FilesController.js';

@Module({
  controllers: [AssetsController, FilesController],
  providers: [AssetsService, PictureMaker],
  exports: [AssetsService],
})
export class AssetsModule {}
