import {
  Body,
  Controller,
  Delete,
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
