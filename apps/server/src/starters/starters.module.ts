import { Module } from '@nestjs/common';
import { StartersController } from './StartersController.js';

@Module({ controllers: [StartersController] })
export class StartersModule {}
