import {
  Body,
  Controller,
  Get,
  HttpCode,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  Put,
} from '@nestjs/common';
import type { Attempt, LessonResults, OpenedAttempt, ElementId } from '@gobrel/core';
import { IsNumber, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import { AttemptsService } from '../folios/AttemptsService.js';
import { FoliosService } from '../folios/FoliosService.js';
import { ResultsService } from '../folios/ResultsService.js';
import { LessonsService } from './LessonsService.js';
import { Needs } from '../access/needs.js';

export class MarkDto {
  /** A share from 0 to 1; null leaves what the machine says. */
  @IsOptional()
  @IsNumber({}, { message: 'A mark is a number' })
  @Min(0, { message: 'A mark is no less than nothing' })
  @Max(1, { message: 'A mark is no more than all points' })
  score: number | null;

  @IsString()
  @MaxLength(2000, { message: 'A comment has 2,000 characters at the most' })
  comment: string;

  @IsString()
  @MaxLength(60)
  stamp: string;
}

/** What a lesson has brought. */
@Controller('api/lessons/:id')
@Needs('lesson:teach', 'id')
export class ResultsController {
  constructor(
    private readonly lessons: LessonsService,
    private readonly results: ResultsService,
    private readonly folios: FoliosService,
    private readonly attempts: AttemptsService,
  ) {}

  @Get('results')
  async all(@Param('id') id: string): Promise<LessonResults<Date>> {
    const { deckId, title, className, startedAt, endedAt, settings, editionId } =
      await this.lessons.require(id);
    return {
      lessonId: id,
      deckId,
      title,
      className,
      startedAt,
      endedAt,
      settings,
      edition: await this.lessons.edition(editionId),
      students: await this.results.studentsOf(id),
    };
  }

  @Put('students/:folioId/marks/:questionId')
  @HttpCode(204)
  async mark(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Param('questionId') questionId: ElementId,
    @Body() body: MarkDto,
  ): Promise<void> {
    const { score, comment, stamp } = body;
    await this.folios.requireIn(id, folioId);
    await this.results.mark(id, folioId, questionId, { score: score ?? null, comment, stamp });
  }

  /** Everything a student has handed in so far. */
  @Get('students/:folioId/attempts')
  async attemptsOf(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
  ): Promise<{ attempts: Attempt<Date>[] }> {
    await this.folios.requireIn(id, folioId);
    return { attempts: await this.attempts.list(folioId) };
  }

  @Get('students/:folioId/attempts/:number')
  async attempt(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Param('number', ParseIntPipe) number: number,
  ): Promise<OpenedAttempt<Date>> {
    await this.folios.requireIn(id, folioId);
    const { editionId } = await this.lessons.require(id);
    return this.attempts.open(folioId, number, await this.lessons.edition(editionId));
  }

  /** Gives a folio back that was handed in, for another attempt. */
  @Post('students/:folioId/return')
  @HttpCode(204)
  async giveBack(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
  ): Promise<void> {
    await this.folios.requireIn(id, folioId);
    await this.folios.open(folioId);
  }
}
