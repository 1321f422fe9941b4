import { Module } from '@nestjs/common';
import { AssetsModule } from '../assets/assets.module.js';
import { PictureBoxController } from './PictureBoxController.js';

@Module({ imports: [AssetsModule], controllers: [PictureBoxController] })
export class PictureBoxModule {}
