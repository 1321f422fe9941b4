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
  UseGuards,
} from '@nestjs/common';
import { AccessService } from '../access/AccessService.js';
import { CurrentTeacher, TeacherGuard, type Teacher } from '../access/guards.js';
import { StudentDto } from '../lessons/lessons.dto.js';
import { BlocksService, type BlockedName } from './BlocksService.js';
import { FoliosService } from './FoliosService.js';

/** What a teacher does with those who have joined. */
@Controller('api/lessons/:id/students')
@UseGuards(TeacherGuard)
export class StudentsController {
  constructor(
    private readonly folios: FoliosService,
    private readonly access: AccessService,
  ) {}

  /** Lets in, renames, lets one more device in, takes a hand down. */
  @Patch(':folioId')
  @HttpCode(204)
  async change(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Body() body: StudentDto,
  ): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.folios.change(id, folioId, body);
  }

  /** Takes a student out of the lesson with all that was done; blocked names do not come in again. */
  @Delete(':folioId')
  @HttpCode(204)
  async remove(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Param('folioId', ParseUUIDPipe) folioId: string,
    @Query('block') block?: string,
  ): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.folios.remove(id, [folioId], block === '1');
  }
}

/** Names that are kept out. */
@Controller('api/lessons/:id/blocks')
@UseGuards(TeacherGuard)
export class BlocksController {
  constructor(
    private readonly blocks: BlocksService,
    private readonly access: AccessService,
  ) {}

  @Get()
  async list(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ blocked: BlockedName[] }> {
    await this.access.requireLesson(teacher.id, id);
    return { blocked: await this.blocks.list(id) };
  }

  @Delete(':key')
  @HttpCode(204)
  async lift(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Param('key') key: string,
  ): Promise<void> {
    await this.access.requireLesson(teacher.id, id);
    await this.blocks.lift(id, key);
  }
}
