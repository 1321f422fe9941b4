import type { DeckComments, Role } from '@gobrel/core';
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
import { CurrentRole, CurrentTeacher, type Teacher } from '../access/guards.js';
import { Needs } from '../access/needs.js';
import { CONFIG, type Config } from '../config.js';
import { CommentChangeDto, CommentDto } from './comments.dto.js';
import { CommentsService } from './CommentsService.js';

/** What those who have a deck say to its slides. */
@Controller('api/decks/:id/comments')
@Needs('deck:comment', 'id')
export class CommentsController {
  constructor(
    private readonly comments: CommentsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Get()
  all(@Param('id') id: string): Promise<DeckComments<Date>> {
    return this.comments.all(id);
  }

  @Post()
  async say(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() body: CommentDto,
    @Req() request: Request,
  ): Promise<{ id: string }> {
    const here = ownAddress(this.config, request);
    return { id: await this.comments.say(teacher, id, body, here) };
  }

  @Patch(':commentId')
  @HttpCode(204)
  async change(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Param('commentId', ParseUUIDPipe) commentId: string,
    @Body() body: CommentChangeDto,
  ): Promise<void> {
    await this.comments.change(teacher.id, id, commentId, body);
  }

  @Delete(':commentId')
  @HttpCode(204)
  async remove(
    @CurrentTeacher() teacher: Teacher,
    @CurrentRole() role: Role,
    @Param('id') id: string,
    @Param('commentId', ParseUUIDPipe) commentId: string,
  ): Promise<void> {
    await this.comments.remove(role === 'owner' ? null : teacher.id, id, commentId);
  }
}
