import { Body, Controller, Delete, HttpCode, Param, Post } from '@nestjs/common';
import { IsInt, Max, Min } from 'class-validator';
import { MOST_SIMULATED, PracticeService } from './PracticeService.js';
import { Needs } from '../access/needs.js';

export class PracticeDto {
  @IsInt()
  @Min(1)
  @Max(MOST_SIMULATED, { message: `A practice class has ${MOST_SIMULATED} students at the most` })
  students: number;
}

@Controller('api/lessons/:id/practice')
@Needs('lesson:teach', 'id')
export class PracticeController {
  constructor(private readonly practice: PracticeService) {}

  @Post()
  @HttpCode(204)
  async start(@Param('id') id: string, @Body() { students }: PracticeDto): Promise<void> {
    await this.practice.start(id, students);
  }

  @Delete()
  @HttpCode(204)
  async stop(@Param('id') id: string): Promise<void> {
    await this.practice.stop(id);
  }
}
