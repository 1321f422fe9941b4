import type { StudentMark } from '@gobrel/core';
import {
  Body,
  Controller,
  Get,
  Headers,
  HttpCode,
  Inject,
  Param,
  Post,
  Req,
  Res,
} from '@nestjs/common';
import type { Request, Response } from 'express';
import { giveCookie } from '../access/cookies.js';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { passesIn, withPass } from '../access/livePublication.js';
import { Needs } from '../access/needs.js';
import { Throttle } from '../access/Throttle.js';
import { READER_COOKIE } from '../access/tokens.js';
import { Passwords } from '../accounts/Passwords.js';
import { AssetsService } from '../assets/AssetsService.js';
import { CONFIG, type Config } from '../config.js';
import { notFound, Problem } from '../problems/problem.js';
import { PassDto, StepsDto, TryDto } from './publishing.dto.js';
import { PublishingService, type Live } from './PublishingService.js';
import { Readings } from './Readings.js';

/** Wrong pass words that one address may tell in as many seconds. */
const WRONG = { most: 12, within: 300 };
/** Days that a device remembers one. */
const REMEMBERED = 30;

/** What stands at the address of a published deck: for anyone, without an account or a name. */
@Controller('api/published/:code')
@Needs('site:visit')
export class PublishedController {
  constructor(
    private readonly publishing: PublishingService,
    private readonly readings: Readings,
    private readonly passwords: Passwords,
    private readonly throttle: Throttle,
    private readonly assets: AssetsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Get()
  async read(
    @Param('code') code: string,
    @Headers('cookie') cookie: string | undefined,
    @Headers('accept-encoding') encodings: string | undefined,
    @Res() response: Response,
  ): Promise<void> {
    const live = await this.publishing.live(code);
    if (!this.#knowsPass(live, cookie)) {
      response.json({ needsPass: true });
      return;
    }
    const { plain, packed } = await this.readings.sent(live);
    const takesPacked = /\bgzip\b/.test(encodings ?? '');
    response.type('application/json').vary('Accept-Encoding');
    if (takesPacked) response.set('Content-Encoding', 'gzip');
    response.send(takesPacked ? packed : plain);
  }

  /** Which edition it is, or that there is none any more: asked again and again while it is read. */
  @Get('version')
  async version(
    @Param('code') code: string,
    @Headers('cookie') cookie: string | undefined,
  ): Promise<{ version: string }> {
    return { version: (await this.#open(code, cookie)).editionId };
  }

  @Post('pass')
  @HttpCode(204)
  async tellPass(
    @Param('code') code: string,
    @Body() { pass }: PassDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    const live = await this.publishing.live(code);
    if (live.passHash === null || live.passToken === null) return;
    const from = request.ip ?? '';
    const key = `pass:${live.deckId}:${from}`;
    await this.throttle.check(key, WRONG.most, WRONG.within);
    if (!(await this.passwords.isRight(pass, live.passHash, from))) {
      await this.throttle.record(key);
      throw new Problem(403, 'Not the pass word', 'That is not the pass word of this deck.');
    }
    const held = withPass(request.headers.cookie, this.config, live.passToken);
    giveCookie(response, this.config, READER_COOKIE, held, REMEMBERED);
  }

  /** Counts steps of a walk; by whom is not asked. */
  @Post('steps')
  @HttpCode(204)
  async count(
    @Param('code') code: string,
    @Body() { steps }: StepsDto,
    @Headers('cookie') cookie: string | undefined,
  ): Promise<void> {
    await this.readings.count(await this.#open(code, cookie), steps);
  }

  @Post('tries')
  @HttpCode(200)
  async mark(
    @Param('code') code: string,
    @Body() body: TryDto,
    @Headers('cookie') cookie: string | undefined,
  ): Promise<StudentMark> {
    return this.readings.mark(await this.#open(code, cookie), body);
  }

  /** The first slide, for those who show addresses as cards; nothing is shown of what has a pass word. */
  @Get('picture')
  async picture(@Param('code') code: string, @Res() response: Response): Promise<void> {
    const { picture, passHash } = await this.publishing.live(code);
    if (!picture || passHash !== null) throw notFound('picture');
    const { mediaType, bytes } = await this.assets.serve(picture);
    response
      .type(mediaType)
      .set('Cache-Control', 'public, max-age=300')
      .set('Cross-Origin-Resource-Policy', 'cross-origin')
      .set('Content-Security-Policy', "default-src 'none'; sandbox")
      .send(bytes);
  }

  @Post('copies')
  @Needs('site:teach')
  async copy(
    @CurrentTeacher() teacher: Teacher,
    @Param('code') code: string,
    @Headers('cookie') cookie: string | undefined,
  ): Promise<{ id: string }> {
    return { id: await this.publishing.copy(await this.#open(code, cookie), teacher.id) };
  }

  /** @throws Problem when it is not there, or its pass word has not been told */
  async #open(code: string, cookie: string | undefined): Promise<Live> {
    const live = await this.publishing.live(code);
    if (!this.#knowsPass(live, cookie)) {
      throw new Problem(401, 'Pass word', 'This deck asks for a pass word first.');
    }
    return live;
  }

  #knowsPass({ passToken }: Live, cookie: string | undefined): boolean {
    return passToken === null || passesIn(cookie, this.config).includes(passToken);
  }
}
