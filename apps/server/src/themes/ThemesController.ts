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
import { OwnThings } from '../database/OwnThings.js';
import { rowOf, text } from '../database/rows.js';
import { KeptThemeRow } from './themes.entities.js';

export class NewThemeDto {
  /** A theme as decks have them. */
  @IsObject({ message: 'That is no theme' })
  theme: object;
}

@Controller('api/themes')
@Needs('site:teach')
export class ThemesController {
  readonly #own: OwnThings<KeptThemeRow>;

  constructor(private readonly database: DataSource) {
    this.#own = new OwnThings(database, KeptThemeRow, 'theme', 100);
  }

  @Get()
  async list(@CurrentTeacher() { id }: Teacher): Promise<KeptTheme[]> {
    const rows = await this.#own.list(id, 'id', 'theme');
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
    return known ?? this.#own.keep(teacher.id, { theme: data });
  }

  @Delete(':id')
  @Needs('theme:keep', 'id')
  @HttpCode(204)
  remove(
    @CurrentTeacher() teacher: Teacher,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<void> {
    return this.#own.remove(teacher.id, id);
  }
}
