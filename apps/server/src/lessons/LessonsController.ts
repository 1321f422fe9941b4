import { Body, Controller, Get, HttpCode, Param, Post, Put, UseGuards } from '@nestjs/common';
import type { Deck, LessonState } from '@gobrel/core';
import { AccessService } from '../access/AccessService.js';
import { CurrentTeacher, TeacherGuard, type Teacher } from '../access/guards.js';
import { ClassesService } from '../classes/ClassesService.js';
import { FoliosService } from '../folios/FoliosService.js';
import { invalid, refused } from '../problems/problem.js';
import { HoldDto, LineUpDto, NewLessonDto, PaceDto, PresentDto } from './lessons.dto.js';
import { LessonsService, type Lesson, type LessonCard } from './LessonsService.js';

@Controller('api')
@UseGuards(TeacherGuard)
export class LessonsController {
  constructor(
    private readonly lessons: LessonsService,
    private readonly folios: FoliosService,
    private readonly classes: ClassesService,
    private readonly access: AccessService,
  ) {}

  @Get('decks/:deckId/lessons')
  async list(
    @CurrentTeacher() teacher: Teacher,
    @Param('deckId') deckId: string,
  ): Promise<LessonCard[]> {
    await this.access.requireDeck(teacher.id, deckId);
    return this.lessons.listOfDeck(deckId);
  }

  @Post('decks/:deckId/lessons')
  async start(
    @CurrentTeacher() teacher: Teacher,
    @Param('deckId') deckId: string,
    @Body() body: NewLessonDto,
  ): Promise<{ id: string }> {
    await this.access.requireDeck(teacher.id, deckId);
    const classListId = body.classListId ?? null;
    if (classListId) await this.classes.require(teacher.id, classListId);
    if (!classListId && !body.allowsTypedNames) {
      throw invalid('Without a class list students must be allowed to type their name.');
    }
    const { allowsTypedNames } = body;
    return { id: await this.lessons.start({ deckId, classListId, allowsTypedNames }) };
  }

  @Get('lessons/:id')
  async open(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<Lesson & { edition: Deck }> {
    await this.access.requireLesson(teacher.id, id);
    const lesson = await this.lessons.require(id);
    return { ...lesson, edition: await this.lessons.edition(lesson.editionId) };
  }

  @Post('lessons/:id/pace')
  @HttpCode(200)
  async pace(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { pace, slideId }: PaceDto,
  ): Promise<LessonState> {
    await this.access.requireLesson(teacher.id, id);
    const { editionId } = await this.lessons.require(id);
    const { slides } = await this.lessons.editionForStudents(editionId);
    if (slideId && !slides[slideId]) throw refused('This slide is not in the lesson.');
    return this.lessons.change(id, (state) => ({
      ...state,
      pace,
      slideId: slideId ?? state.slideId,
    }));
  }

  @Post('lessons/:id/hold')
  @HttpCode(200)
  async hold(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { isHeld }: HoldDto,
  ): Promise<LessonState> {
    await this.access.requireLesson(teacher.id, id);
    return this.lessons.change(id, (state) => ({ ...state, isHeld }));
  }

  @Put('lessons/:id/line-up')
  @HttpCode(204)
  async lineUp(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { folioIds }: LineUpDto,
  ): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.lessons.setLineUp(id, folioIds);
  }

  @Post('lessons/:id/present')
  @HttpCode(200)
  async present(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { folioId }: PresentDto,
  ): Promise<LessonState> {
    await this.access.requireLesson(teacher.id, id);
    const presenting = folioId ? await this.folios.presenterOf(id, folioId) : null;
    return this.lessons.change(id, (state) => ({ ...state, presenting }));
  }

  @Post('lessons/:id/end')
  @HttpCode(204)
  async end(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.lessons.end(id);
  }
}
