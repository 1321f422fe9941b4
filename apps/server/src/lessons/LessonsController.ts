import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import type { Deck, EditionChanges, LessonCard, LessonSettings } from '@gobrel/core';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { ClassesService } from '../classes/ClassesService.js';
import { FolioProjector } from '../folios/FolioProjector.js';
import { invalid, refused } from '../problems/problem.js';
import { NewLessonDto, SettingsDto, TimesDto } from './lessons.dto.js';
import type { Lesson } from './lessonRows.js';
import { LessonsService } from './LessonsService.js';
import { Needs } from '../access/needs.js';

@Controller('api')
@Needs('lesson:teach', 'id')
export class LessonsController {
  constructor(
    private readonly lessons: LessonsService,
    private readonly projector: FolioProjector,
    private readonly classes: ClassesService,
  ) {}

  @Get('decks/:deckId/lessons')
  @Needs('deck:teach', 'deckId')
  async list(@Param('deckId') deckId: string): Promise<LessonCard<Date>[]> {
    return this.lessons.listOfDeck(deckId);
  }

  @Post('decks/:deckId/lessons')
  @Needs('deck:teach', 'deckId')
  async start(
    @CurrentTeacher() teacher: Teacher,
    @Param('deckId') deckId: string,
    @Body() body: NewLessonDto,
  ): Promise<{ id: string }> {
    const classListId = body.classListId ?? null;
    if (classListId) await this.classes.require(teacher.id, classListId);
    if (!classListId && !body.allowsTypedNames) {
      throw invalid('Without a class list students must be allowed to type their name.');
    }
    checkTimes(body);
    const { allowsTypedNames, settings, pace, opensAt, closesAt } = body;
    const lesson = { deckId, classListId, allowsTypedNames, settings, pace, opensAt, closesAt };
    return { id: await this.lessons.start(lesson) };
  }

  @Get('lessons/:id')
  async open(@Param('id') id: string): Promise<Lesson & { edition: Deck; now: number }> {
    const lesson = await this.lessons.require(id);
    return {
      ...lesson,
      edition: await this.lessons.edition(lesson.editionId),
      now: Date.now(),
    };
  }

  /** Other settings, at any time; what is left out stays as it is. */
  @Put('lessons/:id/settings')
  async settings(@Param('id') id: string, @Body() body: SettingsDto): Promise<LessonSettings> {
    const settings = await this.lessons.setSettings(id, body);
    await this.projector.renew(id);
    return settings;
  }

  /** When it opens and closes by itself, also while it runs. */
  @Put('lessons/:id/times')
  @HttpCode(204)
  async times(@Param('id') id: string, @Body() body: TimesDto): Promise<void> {
    const lesson = await this.lessons.require(id);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    const { opensAt = isoOf(lesson.opensAt), closesAt = isoOf(lesson.closesAt) } = body;
    checkTimes({ opensAt, closesAt });
    await this.lessons.setTimes(id, { opensAt, closesAt });
  }

  /** What taking over the deck as it is now would change. */
  @Get('lessons/:id/renewal')
  async renewal(@Param('id') id: string): Promise<EditionChanges> {
    return this.lessons.renewal(await this.lessons.require(id));
  }

  @Post('lessons/:id/renew')
  @HttpCode(204)
  async renew(@Param('id') id: string): Promise<void> {
    const lesson = await this.lessons.require(id);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    await this.lessons.renew(lesson.id);
    await this.projector.renew(id);
  }

  /** A lesson that was ended goes on: under its code, or another one when that is taken by now. */
  @Post('lessons/:id/reopen')
  @HttpCode(204)
  async reopen(@Param('id') id: string): Promise<void> {
    await this.lessons.reopen(id);
  }

  /** Takes an ended lesson away for good, with all that was done in it. */
  @Delete('lessons/:id')
  @Needs('lesson:remove', 'id')
  @HttpCode(204)
  async remove(@Param('id') id: string): Promise<void> {
    const { endedAt } = await this.lessons.require(id);
    if (!endedAt) throw refused('This lesson is running. End it first.');
    await this.lessons.remove(id);
  }

  @Post('lessons/:id/end')
  @HttpCode(204)
  async end(@Param('id') id: string): Promise<void> {
    await this.lessons.end(id);
  }
}

const isoOf = (time: Date | null): string | null => time?.toISOString() ?? null;

function checkTimes({ opensAt, closesAt }: TimesDto): void {
  if (closesAt && Date.parse(closesAt) <= Math.max(Date.now(), Date.parse(opensAt ?? '') || 0)) {
    throw invalid('A lesson closes after it has opened, and in the time to come.');
  }
}
