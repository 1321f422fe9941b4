import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
} from '@nestjs/common';
import { readThemeData, type KeptTheme } from '@gobrel/core';
import { IsObject } from 'class-validator';
import { DataSource } from 'typeorm';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { Needs } from '../access/needs.js';
import { rowOf, text } from '../database/rows.js';
import { notFound, refused } from '../problems/problem.js';
import { KeptThemeRow } from './themes.entities.js';

export class NewThemeDto {
  /** A theme as decks have them. */
  @IsObject({ message: 'That is no theme' })
  theme: object;
}

const MOST = 100;

@Controller('api/themes')
@Needs('site:teach')
export class ThemesController {
  constructor(private readonly database: DataSource) {}

  @Get()
  async list(@CurrentTeacher() { id }: Teacher): Promise<KeptTheme[]> {
    const rows = await this.database.getRepository(KeptThemeRow).find({
      select: { id: true, theme: true },
      where: { teacherId: id },
      order: { createdAt: 'DESC' },
    });
    return rows.map((row) => ({ id: row.id, theme: readThemeData(row.theme) }));
  }

  @Post()
  async keep(
    @CurrentTeacher() teacher: Teacher,
    @Body() { theme }: NewThemeDto,
  ): Promise<{ id: string }> {
    const data = JSON.stringify(readThemeData(theme));
    // What is kept already, just so, is not kept twice.
    const known = await rowOf(
      this.database,
      { id: text },
      'SELECT id FROM kept_theme WHERE teacher_id = $1::uuid AND theme = $2::jsonb LIMIT 1',
      [teacher.id, data],
    );
    if (known) return known;
    const row = await rowOf(
      this.database,
      { id: text },
      // Counted and put in at once: two that come together are not both the last.
      `INSERT INTO kept_theme (teacher_id, theme)
       SELECT $1::uuid, $2 WHERE (SELECT count(*) FROM kept_theme WHERE teacher_id = $1::uuid) < ${MOST}
       RETURNING id`,
      [teacher.id, data],
    );
    if (!row) throw refused(`${MOST} themes of your own are kept. Take one out first.`);
    return row;
  }

  @Delete(':id')
  @Needs('theme:keep', 'id')
  @HttpCode(204)
  async remove(
    @CurrentTeacher() teacher: Teacher,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<void> {
    const themes = this.database.getRepository(KeptThemeRow);
    const { affected } = await themes.delete({ id, teacherId: teacher.id });
    if (!affected) throw notFound('theme');
  }
}
