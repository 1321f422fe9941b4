import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Post,
  Query,
  Req,
  Res,
} from '@nestjs/common';
import { readReturnCode, type ScreenLesson } from '@gobrel/core';
import { IsString, MaxLength } from 'class-validator';
import type { Request, Response } from 'express';
import { cookieOf, giveCookie } from '../access/cookies.js';
import { Throttle } from '../access/Throttle.js';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { SCREEN_COOKIE } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import { invalid } from '../problems/problem.js';
import { ScreensService } from './ScreensService.js';
import { Needs } from '../access/needs.js';

export class PairDto {
  @IsString()
  @MaxLength(20, { message: 'The code of a screen has five characters' })
  code: string;
}

@Controller('api')
@Needs('site:visit')
export class ScreensController {
  constructor(
    private readonly screens: ScreensService,
    private readonly throttle: Throttle,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** A device becomes a screen: it is told the code that the teacher has to type. */
  @Post('screens')
  async open(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ code: string }> {
    const key = `screen:${request.ip ?? ''}`;
    await this.throttle.check(key, 60, 300);
    await this.throttle.record(key);
    const { token, code } = await this.screens.open();
    giveCookie(response, this.config, SCREEN_COOKIE, token, 1);
    return { code };
  }

  /** What this screen shows now. */
  @Get('screens/mine')
  async mine(
    @Req() request: Request,
    @Query('has') has?: string,
  ): Promise<{ code: string | null; lesson: ScreenLesson | null; isKnown: boolean }> {
    const shown = await this.screens.shown(
      cookieOf(request, this.config, SCREEN_COOKIE),
      /^\d{1,9}$/.test(has ?? '') ? Number(has) : null,
    );
    return { code: null, lesson: null, ...shown, isKnown: shown !== null };
  }

  @Post('lessons/:id/screens')
  @HttpCode(204)
  @Needs('lesson:teach', 'id')
  async pair(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() body: PairDto,
  ): Promise<void> {
    const key = `pair:${teacher.id}`;
    await this.throttle.check(key, 20, 300);
    const code = readReturnCode(body.code);
    if (!code) throw invalid('The code of a screen has five letters and digits.');
    await this.throttle.record(key);
    await this.screens.pair(id, code);
  }

  @Delete('lessons/:id/screens')
  @HttpCode(204)
  @Needs('lesson:teach', 'id')
  async part(@Param('id') id: string): Promise<void> {
    await this.screens.part(id);
  }
}
