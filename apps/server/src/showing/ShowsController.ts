import { SERVER_LIMITS, type GivenShow, type SteeredShow } from '@gobrel/core';
import {
  Body,
  Controller,
  Delete,
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
import { Needs } from '../access/needs.js';
import { Throttle } from '../access/Throttle.js';
import { FOLLOWER_COOKIE, REMOTE_COOKIE } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import { Problem } from '../problems/problem.js';
import { CodeDto } from './showing.dto.js';
import { ShowsService } from './ShowsService.js';

/** Days that a device remembers the show that it follows or steers: shows are shorter. */
const REMEMBERED = 1;

/** Shows that others follow, or that several devices steer. */
@Controller('api')
export class ShowsController {
  constructor(
    private readonly shows: ShowsService,
    private readonly throttle: Throttle,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Get('decks/:id/show')
  @Needs('deck:show', 'id')
  async given(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ show: GivenShow | null }> {
    return { show: await this.shows.given(teacher.id, id) };
  }

  @Post('decks/:id/show')
  @Needs('deck:show', 'id')
  async give(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ show: GivenShow | null }> {
    await this.shows.give(teacher.id, id);
    return { show: await this.shows.given(teacher.id, id) };
  }

  @Delete('shows/:id')
  @Needs('show:host', 'id')
  @HttpCode(204)
  async end(@Param('id') id: string): Promise<void> {
    await this.shows.end(id);
  }

  /** Followers get the deck as it is now. */
  @Post('shows/:id/edition')
  @Needs('show:host', 'id')
  @HttpCode(204)
  async renew(@Param('id') id: string): Promise<void> {
    await this.shows.renew(id);
  }

  @Post('shows/:id/remotes')
  @Needs('show:host', 'id')
  async inviteRemote(@Param('id') id: string): Promise<{ code: string }> {
    return this.shows.inviteRemote(id);
  }

  @Delete('shows/:id/remotes')
  @Needs('show:host', 'id')
  @HttpCode(204)
  async letRemotesGo(@Param('id') id: string): Promise<void> {
    await this.shows.letRemotesGo(id);
  }

  @Get('shows/:id/deck')
  @Needs('show:steer', 'id')
  async steered(@Param('id') id: string): Promise<SteeredShow> {
    return this.shows.steered(id);
  }

  @Get('shows/:id/edition')
  @Needs('show:follow', 'id')
  async followed(
    @Param('id') id: string,
    @Headers('accept-encoding') encodings: string | undefined,
    @Res() response: Response,
  ): Promise<void> {
    const { plain, packed } = await this.shows.followed(id);
    const takesPacked = /\bgzip\b/.test(encodings ?? '');
    response.type('application/json').vary('Accept-Encoding');
    if (takesPacked) response.set('Content-Encoding', 'gzip');
    response.send(takesPacked ? packed : plain);
  }

  /** A device follows a show, without an account or a name. */
  @Post('follow')
  @Needs('site:visit')
  @HttpCode(200)
  async follow(
    @Body() { code }: CodeDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ id: string }> {
    const { within, perAddress, wrong } = SERVER_LIMITS.follows;
    const from = request.ip ?? '';
    await this.throttle.check(`follow:${from}`, perAddress, within);
    const found = await this.#try(`follow-wrong:${from}`, wrong, () => this.shows.follow(code));
    await this.throttle.record(`follow:${from}`);
    giveCookie(response, this.config, FOLLOWER_COOKIE, found.token, REMEMBERED);
    return { id: found.id };
  }

  /** A device steers a show, by the code that the show has given for it. */
  @Post('remotes')
  @Needs('site:visit')
  @HttpCode(200)
  async pair(
    @Body() { code }: CodeDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<{ id: string }> {
    const found = await this.#try(`remote:${request.ip ?? ''}`, 20, () => this.shows.pair(code));
    giveCookie(response, this.config, REMOTE_COOKIE, found.token, REMEMBERED);
    return { id: found.id };
  }

  /** The show that this device steers. */
  @Get('remotes/mine')
  @Needs('site:visit')
  async mine(@Req() request: Request): Promise<{ id: string | null }> {
    return { id: await this.shows.steeredBy(request.headers.cookie) };
  }

  async #try<T>(key: string, most: number, run: () => Promise<T>): Promise<T> {
    const { within } = SERVER_LIMITS.follows;
    await this.throttle.check(key, most, within);
    try {
      return await run();
    } catch (error) {
      if (error instanceof Problem) await this.throttle.record(key);
      throw error;
    }
  }
}
