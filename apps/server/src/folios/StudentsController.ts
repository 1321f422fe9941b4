import type { BlockedName } from '@gobrel/core';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Patch,
  Query,
} from '@nestjs/common';
import { StudentDto } from '../lessons/lessons.dto.js';
import { BlocksService } from './BlocksService.js';
import { FoliosService } from './FoliosService.js';
import { Needs } from '../access/needs.js';

/** What a teacher does with those who have joined. */
@Controller('api/lessons/:id/students')
@Needs('lesson:teach', 'id')
export class StudentsController {
  constructor(private readonly folios: FoliosService) {}

  /** Lets in, renames, lets one more device in, takes a hand down. */
  @Patch(':folioId')
  @HttpCode(204)
  async change(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Body() body: StudentDto,
  ): Promise<void> {
    await this.folios.change(id, folioId, body);
  }

  /** Takes a student out of the lesson with all that was done; blocked names do not come in again. */
  @Delete(':folioId')
  @HttpCode(204)
  async remove(
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Query('block') block?: string,
  ): Promise<void> {
    await this.folios.remove(id, [folioId], block === '1');
  }
}

/** Names that are kept out. */
@Controller('api/lessons/:id/blocks')
@Needs('lesson:teach', 'id')
export class BlocksController {
  constructor(private readonly blocks: BlocksService) {}

  @Get()
  async list(@Param('id') id: string): Promise<{ blocked: BlockedName[] }> {
    return { blocked: await this.blocks.list(id) };
  }

  @Delete(':key')
  @HttpCode(204)
  async lift(@Param('id') id: string, @Param('key') key: string): Promise<void> {
    await this.blocks.lift(id, key);
  }
}
