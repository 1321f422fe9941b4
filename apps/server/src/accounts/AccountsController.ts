import { Body, Controller, Delete, Get, HttpCode, Inject, Post, Req, Res } from '@nestjs/common';
import type { Request, Response } from 'express';
import { cookieOf, giveCookie, takeCookie } from '../access/cookies.js';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { SESSION_COOKIE } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import { SignInDto, SignUpDto } from './accounts.dto.js';
import { AccountsService } from './AccountsService.js';
import { Needs } from '../access/needs.js';

@Controller('api')
@Needs('site:visit')
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Post('accounts')
  async signUp(
    @Body() body: SignUpDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<Teacher> {
    const teacher = await this.accounts.create(body, request.ip ?? '');
    await this.#open(teacher, request, response);
    return teacher;
  }

  @Post('session')
  @HttpCode(200)
  async signIn(
    @Body() body: SignInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<Teacher> {
    const teacher = await this.accounts.signIn(body.email, body.password, request.ip ?? '');
    // A session that was there before ends with it.
    await this.#close(request);
    await this.#open(teacher, request, response);
    return teacher;
  }

  @Get('session')
  @Needs('site:teach')
  whoAmI(@CurrentTeacher() teacher: Teacher): Teacher {
    return teacher;
  }

  @Delete('session')
  @HttpCode(204)
  async signOut(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.#close(request);
    takeCookie(response, this.config, SESSION_COOKIE);
  }

  async #close(request: Request): Promise<void> {
    const token = cookieOf(request, this.config, SESSION_COOKIE);
    if (token) await this.accounts.closeSession(token);
  }

  async #open(teacher: Teacher, request: Request, response: Response): Promise<void> {
    const device = request.headers['user-agent'] ?? '';
    const token = await this.accounts.openSession(teacher.id, device);
    giveCookie(response, this.config, SESSION_COOKIE, token, 30);
  }
}
