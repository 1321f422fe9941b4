import { Body, Controller, Delete, Get, HttpCode, Inject, Post, Req, Res } from '@nestjs/common';
import {
  readJoinCode,
  readReturnCode,
  SERVER_LIMITS,
  type JoinedLesson,
  type NameOnList,
  type OthersLeaf,
  type ScreenShows,
  type StudentMark,
} from '@gobrel/core';
import type { Request, Response } from 'express';
import { cookieOf, giveCookie, takeCookie } from '../access/cookies.js';
import { Throttle } from '../access/Throttle.js';
import { CurrentStudent, type Student } from '../access/guards.js';
import { DEVICE_COOKIE, makeToken, STUDENT_COOKIE } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import type { Lesson } from '../lessons/lessonRows.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { ScreensService } from '../screens/ScreensService.js';
import { PracticeService } from '../practice/PracticeService.js';
import { invalid, Problem } from '../problems/problem.js';
import { FoliosService } from './FoliosService.js';
import { JoiningService } from './JoiningService.js';
import { CodeDto, DoneDto, HandDto, JoinDto, ReturnDto, TurnDto } from './student.dto.js';
import { Needs } from '../access/needs.js';

/** Everything a student's device asks for. */
@Controller('api/student')
@Needs('site:visit')
export class StudentController {
  constructor(
    private readonly folios: FoliosService,
    private readonly joining: JoiningService,
    private readonly lessons: LessonsService,
    private readonly throttle: Throttle,
    private readonly practice: PracticeService,
    private readonly screens: ScreensService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** What lesson a code opens, and the names to choose from. */
  @Post('look')
  @HttpCode(200)
  async look(
    @Body() { code }: CodeDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ title: string; names: NameOnList[]; allowsTypedNames: boolean }> {
    this.#knowDevice(request, response);
    const lesson = await this.#lessonOf(code, request);
    const { title, allowsTypedNames } = lesson;
    return { title, allowsTypedNames, names: await this.joining.namesFor(lesson) };
  }

  @Post('join')
  async join(
    @Body() body: JoinDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ folioId: string }> {
    const { classStudentId, name, key } = body;
    const lesson = await this.#lessonOf(body.code, request);
    if (!classStudentId && !name) throw invalid('Choose or type your name.');
    const isPractice = this.practice.isSimulated(lesson.id, body.practice);
    const joins = isPractice ? [] : joinsOf(request, this.config);
    for (const one of joins) await this.throttle.check(one.key, one.most, JOINS.within);
    const folio = await this.joining.join(lesson, { classStudentId, name, key, isPractice });
    for (const one of joins) await this.throttle.record(one.key);
    await this.#open(folio.id, response);
    return { folioId: folio.id };
  }

  /** Back on another device. */
  @Post('return')
  @HttpCode(200)
  async comeBack(
    @Body() body: ReturnDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ folioId: string }> {
    const lesson = await this.#lessonOf(body.code, request);
    await this.joining.checkReturnCodes(lesson.id);
    const returnCode = readReturnCode(body.returnCode);
    const folio = returnCode && (await this.joining.findByReturnCode(lesson.id, returnCode));
    if (!folio) {
      for (const { key } of triesOf(request, this.config)) await this.throttle.record(key);
      await this.joining.wrongReturnCode(lesson.id);
      throw new Problem(404, 'Not found', 'This return code is not one of this lesson.');
    }
    await this.#open(folio.id, response);
    return { folioId: folio.id };
  }

  /** Leaves the lesson on this device; the folio stays, and is come back to with the return code. */
  @Delete('device')
  @HttpCode(204)
  async leave(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    const token = cookieOf(request, this.config, STUDENT_COOKIE);
    if (token) await this.joining.closeDevice(token);
    takeCookie(response, this.config, STUDENT_COOKIE);
  }

  @Get('lesson')
  @Needs('lesson:wait')
  lesson(@CurrentStudent() student: Student): Promise<JoinedLesson<Date>> {
    return this.folios.forStudent(student.folioId);
  }

  /** What the teacher has put up, where students may see it on their own devices. */
  @Get('put-up')
  @Needs('lesson:attend')
  async putUp(@CurrentStudent() student: Student): Promise<{ putUp: ScreenShows }> {
    return { putUp: await this.screens.putUpForStudents(student.lessonId) };
  }

  /** The leaves of the others, where the lesson lets them be seen. */
  @Get('leaves')
  @Needs('lesson:attend')
  async leaves(@CurrentStudent() student: Student): Promise<OthersLeaf[]> {
    return this.folios.leavesOfOthers(student.folioId);
  }

  @Get('marks')
  @Needs('lesson:wait')
  async marks(
    @CurrentStudent() student: Student,
  ): Promise<{ marks: Record<string, StudentMark> | null }> {
    return { marks: await this.folios.marksFor(student.folioId) };
  }

  @Post('done')
  @HttpCode(204)
  @Needs('lesson:attend')
  async done(@CurrentStudent() student: Student, @Body() { questionId }: DoneDto): Promise<void> {
    await this.folios.done(student.folioId, questionId);
  }

  @Post('hand-in')
  @HttpCode(200)
  @Needs('lesson:attend')
  handIn(@CurrentStudent() student: Student): Promise<{ handedInAt: string }> {
    return this.folios.handIn(student.folioId);
  }

  @Post('try-again')
  @HttpCode(204)
  @Needs('lesson:attend')
  async tryAgain(@CurrentStudent() student: Student): Promise<void> {
    await this.folios.tryAgain(student.folioId);
  }

  @Post('hand')
  @HttpCode(204)
  @Needs('lesson:attend')
  async hand(@CurrentStudent() student: Student, @Body() { isUp }: HandDto): Promise<void> {
    await this.folios.setHand(student.folioId, isUp);
  }

  /** While presenting: which leaf is on the big screen. */
  @Post('turn')
  @HttpCode(204)
  @Needs('lesson:attend')
  async turn(@CurrentStudent() student: Student, @Body() { leafId }: TurnDto): Promise<void> {
    await this.folios.turnTo(student.folioId, leafId);
  }

  /** Wrong codes are counted per address: forty in five minutes, which a class mistyping does not reach. */
  #knowDevice(request: Request, response: Response): void {
    if (cookieOf(request, this.config, DEVICE_COOKIE)) return;
    giveCookie(response, this.config, DEVICE_COOKIE, makeToken(), 365);
  }

  async #lessonOf(typed: string, request: Request): Promise<Lesson> {
    const tries = triesOf(request, this.config);
    for (const { key, most } of tries) await this.throttle.check(key, most, TRIES_WITHIN);
    const code = readJoinCode(typed);
    const lesson = code && (await this.lessons.findByCode(code));
    if (lesson) {
      const opens = lesson.opensAt;
      if (opens && opens.getTime() > Date.now()) {
        throw new Problem(425, 'Not open yet', 'This lesson is not open yet.', {
          opensAt: opens.toISOString(),
        });
      }
      return lesson;
    }
    for (const { key } of tries) await this.throttle.record(key);
    if (code && (await this.lessons.hasEnded(code))) {
      throw new Problem(410, 'Ended', 'The lesson with this code has ended.');
    }
    throw new Problem(
      404,
      'No such lesson',
      code
        ? `No lesson is running under ${code}. Look at the code again.`
        : 'A join code is a word and three digits, like TERN 482.',
    );
  }

  async #open(folioId: string, response: Response): Promise<void> {
    giveCookie(response, this.config, STUDENT_COOKIE, await this.joining.openDevice(folioId), 60);
  }
}

const { joins: JOINS } = SERVER_LIMITS;

/** What joining is counted by. */
function joinsOf(request: Request, config: Config): { key: string; most: number }[] {
  const device = cookieOf(request, config, DEVICE_COOKIE);
  return [
    ...(device ? [{ key: `joined:${device}`, most: JOINS.perDevice }] : []),
    { key: `joined:${request.ip ?? ''}`, most: JOINS.perAddress },
  ];
}

/** Seconds in which wrong codes are counted together. */
const TRIES_WITHIN = 300;

/** What wrong codes of a request are counted by: its device first, then all behind its address, of which there are many. */
function triesOf(request: Request, config: Config): { key: string; most: number }[] {
  const device = cookieOf(request, config, DEVICE_COOKIE);
  return [
    ...(device ? [{ key: `join:${device}`, most: 40 }] : []),
    { key: `join:${request.ip ?? ''}`, most: 600 },
  ];
}
