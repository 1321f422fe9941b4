import { Body, Controller, Delete, HttpCode, Param, Post, UseGuards } from '@nestjs/common';
import { IsInt, Max, Min } from 'class-validator';
import { AccessService } from '../access/AccessService.js';
import { CurrentTeacher, TeacherGuard, type Teacher } from '../access/guards.js';
import { MOST_SIMULATED, PracticeService } from './PracticeService.js';

export class PracticeDto {
  @IsInt()
  @Min(1)
  @Max(MOST_SIMULATED, { message: `A practice class has ${MOST_SIMULATED} students at the most` })
  students: number;
}

@Controller('api/lessons/:id/practice')
@UseGuards(TeacherGuard)
export class PracticeController {
  constructor(
    private readonly practice: PracticeService,
    private readonly access: AccessService,
  ) {}

  @Post()
  @HttpCode(204)
  async start(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { students }: PracticeDto,
  ): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.practice.start(id, students);
  }

  @Delete()
  @HttpCode(204)
  async stop(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.practice.stop(id);
  }
}
