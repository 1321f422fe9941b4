import {
  Body,
  Controller,
  Delete,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
} from '@nestjs/common';
import { readClip, type LessonState, type FolioId } from '@gobrel/core';
import { FolioProjector } from '../folios/FolioProjector.js';
import { FoliosService } from '../folios/FoliosService.js';
import { invalid, refused } from '../problems/problem.js';
import {
  AskDto,
  HoldDto,
  LikenDto,
  LineUpDto,
  PaceDto,
  PresentDto,
  PutUpDto,
  ShowDto,
  StarDto,
  TimerDto,
  VoteDto,
} from './lessons.dto.js';
import { DeskService } from './DeskService.js';
import { LessonsService } from './LessonsService.js';
import { Needs } from '../access/needs.js';

/** What a teacher does at the desk while the lesson runs. */
@Controller('api/lessons/:id')
@Needs('lesson:teach', 'id')
export class DeskController {
  constructor(
    private readonly lessons: LessonsService,
    private readonly desk: DeskService,
    private readonly folios: FoliosService,
    private readonly projector: FolioProjector,
  ) {}

  @Post('pace')
  @HttpCode(200)
  async pace(@Param('id') id: string, @Body() { pace, slideId }: PaceDto): Promise<LessonState> {
    const { editionId } = await this.lessons.require(id);
    const { slides } = await this.lessons.editionForStudents(editionId);
    if (slideId && !slides[slideId]) throw refused('This slide is not in the lesson.');
    return this.lessons.change(id, (state) => ({
      ...state,
      pace,
      slideId: slideId ?? state.slideId,
      vote: null,
    }));
  }

  @Post('hold')
  @HttpCode(200)
  async hold(
    @Param('id') id: string,
    @Body() { isHeld, word = '' }: HoldDto,
  ): Promise<LessonState> {
    return this.lessons.change(id, (state) => ({
      ...state,
      isHeld,
      holdWord: isHeld ? word.trim() : '',
      heldAt: isHeld ? (state.isHeld ? state.heldAt : Date.now()) : 0,
    }));
  }

  @Post('timer')
  @HttpCode(200)
  async timer(@Param('id') id: string, @Body() { seconds }: TimerDto): Promise<LessonState> {
    const timerEndsAt = seconds ? Date.now() + seconds * 1000 : null;
    return this.lessons.change(id, (state) => ({ ...state, timerEndsAt }));
  }

  @Post('put-up')
  @HttpCode(200)
  async putUp(
    @Param('id') id: string,
    @Body() { questionId, showsKey = false, isInPlace = false }: PutUpDto,
  ): Promise<LessonState> {
    const { editionId } = await this.lessons.require(id);
    const { slides } = await this.lessons.editionForStudents(editionId);
    const isThere = Object.values(slides).some(({ elements }) =>
      elements.some((element) => element.kind === 'question' && element.id === questionId),
    );
    if (questionId && !isThere) throw refused('This question is not in the lesson.');
    const putUp = questionId ? { questionId, isInPlace, showsKey } : null;
    return this.lessons.change(id, (state) => ({ ...state, putUp }));
  }

  /** Puts one answer on the big screen. */
  @Post('show')
  @HttpCode(200)
  async show(
    @Param('id') id: string,
    @Body() { folioId, questionId, withName = false }: ShowDto,
  ): Promise<LessonState> {
    if (folioId) await this.folios.requireIn(id, folioId);
    const shown = folioId && questionId ? { folioId, questionId, withName } : null;
    return this.lessons.change(id, (state) => ({ ...state, shown }));
  }

  /** Counts what was written as something else that was: its mark follows, on every answer that says the same. */
  @Post('liken')
  @HttpCode(204)
  async liken(@Param('id') id: string, @Body() { questionId, text, as }: LikenDto): Promise<void> {
    await this.desk.liken(id, questionId, text, as ?? null);
    await this.projector.renew(id);
  }

  /** Asks something on the fly: it joins the edition, lies over what everyone is at, and counts like the rest. */
  @Post('ask')
  @HttpCode(200)
  async ask(
    @Param('id') id: string,
    @Body() { clip }: AskDto,
  ): Promise<{ slideId: string | null }> {
    const lesson = await this.lessons.require(id);
    if (!clip) {
      await this.lessons.change(id, (state) => ({ ...state, askedSlideId: null }));
      return { slideId: null };
    }
    if (lesson.endedAt) throw refused('This lesson has ended.');
    const slide = readClip(clip)?.slides[0];
    if (!slide?.elements.some(({ kind }) => kind === 'question')) {
      throw invalid('What is asked has no question in it.');
    }
    const slideId = await this.lessons.ask(id, slide);
    await this.projector.renew(id);
    return { slideId };
  }

  /** The class votes on the way out of the slide where it stands. */
  @Post('vote')
  @HttpCode(200)
  async vote(@Param('id') id: string, @Body() { vote }: VoteDto): Promise<LessonState> {
    return this.lessons.change(id, (state) => {
      const { pace, slideId } = state;
      if (vote === 'none') return { ...state, vote: null };
      if (pace !== 'together' || !slideId) {
        throw refused('A class votes where it stands together.');
      }
      return { ...state, vote: { slideId, isOpen: vote === 'open' } };
    });
  }

  @Post('star')
  @HttpCode(204)
  async star(@Param('id') id: string, @Body() { answer, isStarred }: StarDto): Promise<void> {
    await this.desk.star(id, answer, isStarred);
  }

  @Put('line-up/:folioId')
  @HttpCode(204)
  async lineUp(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: FolioId,
    @Body() { before }: LineUpDto,
  ): Promise<void> {
    await this.desk.lineUp(id, folioId, before ?? null);
  }

  @Delete('line-up/:folioId')
  @HttpCode(204)
  async takeOutOfLineUp(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: FolioId,
  ): Promise<void> {
    await this.desk.takeOutOfLineUp(id, folioId);
  }

  @Post('present')
  @HttpCode(200)
  async present(@Param('id') id: string, @Body() { folioId }: PresentDto): Promise<LessonState> {
    const presenting = folioId ? await this.folios.presenterOf(id, folioId) : null;
    return this.lessons.change(id, (state) => ({ ...state, presenting }));
  }
}
