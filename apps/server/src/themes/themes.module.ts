import { Module } from '@nestjs/common';
import { ThemesController } from './ThemesController.js';

@Module({ controllers: [ThemesController] })
export class ThemesModule {}
