import { Module } from '@nestjs/common';
import { ClassesController } from './ClassesController.js';
import { ClassesService } from './ClassesService.js';

@Module({
  controllers: [ClassesController],
  providers: [ClassesService],
  exports: [ClassesService],
})
export class ClassesModule {}
