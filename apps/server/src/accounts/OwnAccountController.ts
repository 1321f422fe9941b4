import type { Device } from '@gobrel/core';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseUUIDPipe,
  Patch,
  Post,
  Req,
} from '@nestjs/common';
import type { Request } from 'express';
import { ownAddress } from '../access/addressOf.js';
import { cookieOf } from '../access/cookies.js';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { Needs } from '../access/needs.js';
import { SESSION_COOKIE } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import { EmailDto, NameDto, NewPasswordDto, ResetDto } from './accounts.dto.js';
import { OwnAccount } from './OwnAccount.js';

/** Somebody's own account. */
@Controller('api')
@Needs('site:teach')
export class OwnAccountController {
  constructor(
    private readonly own: OwnAccount,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Patch('account')
  @HttpCode(204)
  async rename(@CurrentTeacher() { id }: Teacher, @Body() { name }: NameDto): Promise<void> {
    await this.own.rename(id, name);
  }

  @Post('account/password')
  @HttpCode(204)
  async changePassword(
    @CurrentTeacher() { id }: Teacher,
    @Body() body: NewPasswordDto,
    @Req() request: Request,
  ): Promise<void> {
    await this.own.changePassword(id, body, this.#session(request), request.ip ?? '');
  }

  @Get('account/devices')
  async devices(
    @CurrentTeacher() { id }: Teacher,
    @Req() request: Request,
  ): Promise<Device<Date>[]> {
    return this.own.devices(id, this.#session(request));
  }

  /** All but the one that asks. */
  @Delete('account/devices')
  @HttpCode(204)
  async signOutOthers(@CurrentTeacher() { id }: Teacher, @Req() request: Request): Promise<void> {
    await this.own.signOutOthers(id, this.#session(request));
  }

  @Delete('account/devices/:deviceId')
  @HttpCode(204)
  async signOut(
    @CurrentTeacher() { id }: Teacher,
    @Param('deviceId', ParseUUIDPipe) deviceId: string,
  ): Promise<void> {
    await this.own.signOut(id, deviceId);
  }

  /** Says the same whether or not there is such an account. */
  @Post('password-letters')
  @Needs('site:visit')
  @HttpCode(204)
  async sendLetter(@Body() { email }: EmailDto, @Req() request: Request): Promise<void> {
    await this.own.sendLetter(email, ownAddress(this.config, request), request.ip ?? '');
  }

  @Get('password-letters/:token')
  @Needs('site:visit')
  async letter(@Param('token') token: string): Promise<{ email: string }> {
    return this.own.letter(token);
  }

  @Post('password-letters/:token')
  @Needs('site:visit')
  @HttpCode(204)
  async reset(
    @Param('token') token: string,
    @Body() { password }: ResetDto,
    @Req() request: Request,
  ): Promise<void> {
    await this.own.reset(token, password, request.ip ?? '');
  }

  #session(request: Request): string {
    return cookieOf(request, this.config, SESSION_COOKIE) ?? '';
  }
}
