import type { Publication } from '@gobrel/core';
import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Req } from '@nestjs/common';
import type { Request } from 'express';
import { Needs } from '../access/needs.js';
import { PublishDto } from './publishing.dto.js';
import { PublishingService } from './PublishingService.js';

/** A deck's address for anyone, for those who work on it. */
@Controller('api/decks/:id/publication')
export class PublicationsController {
  constructor(private readonly publishing: PublishingService) {}

  @Get()
  @Needs('deck:write', 'id')
  async show(@Param('id') id: string): Promise<{ publication: Publication<Date> | null }> {
    return { publication: await this.publishing.of(id) };
  }

  /** Freezes the deck as it is, at the address that it had before if it had one. */
  @Post()
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async publish(
    @Param('id') id: string,
    @Body() body: PublishDto,
    @Req() request: Request,
  ): Promise<void> {
    await this.publishing.publish(id, body, request.ip ?? '');
  }

  /** What is decided anew about the edition that is published. */
  @Patch()
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async change(
    @Param('id') id: string,
    @Body() body: PublishDto,
    @Req() request: Request,
  ): Promise<void> {
    await this.publishing.change(id, body, request.ip ?? '');
  }

  /** Nobody reads it from now on. */
  @Delete()
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async withdraw(@Param('id') id: string): Promise<void> {
    await this.publishing.withdraw(id);
  }
}
