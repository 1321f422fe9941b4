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
import { readClip, type KeptStarter } from '@gobrel/core';
import { Transform } from 'class-transformer';
import { IsString, Length, MaxLength } from 'class-validator';
import { DataSource } from 'typeorm';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { noteUses, hashesIn } from '../assets/uses.js';
import { invalid, notFound, refused } from '../problems/problem.js';
import { Needs } from '../access/needs.js';
import { rowOf, text } from '../database/rows.js';
import { StarterRow } from './starters.entities.js';

export class NewStarterDto {
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value))
  @IsString()
  @Length(1, 120, { message: 'A starter needs a name of 1 to 120 characters' })
  title: string;

  /** Slides as the clipboard has them. */
  @IsString()
  @MaxLength(2_000_000, { message: 'This slide is too large to be kept as a starter' })
  clip: string;
}

const MOST = 200;

@Controller('api/starters')
@Needs('site:teach')
export class StartersController {
  constructor(private readonly database: DataSource) {}

  @Get()
  list(@CurrentTeacher() { id }: Teacher): Promise<KeptStarter[]> {
    return this.database.getRepository(StarterRow).find({
      select: { id: true, title: true, clip: true },
      where: { teacherId: id },
      order: { createdAt: 'DESC' },
    });
  }

  @Post()
  async keep(
    @CurrentTeacher() teacher: Teacher,
    @Body() { title, clip }: NewStarterDto,
  ): Promise<{ id: string }> {
    const read = readClip(clip);
    if (!read || read.slides.length !== 1) throw invalid('One slide is kept as a starter.');
    const row = await rowOf(
      this.database,
      { id: text },
      // Counted and put in at once: two that come together are not both the last.
      `INSERT INTO starter (teacher_id, title, clip)
       SELECT $1::uuid, $2, $3 WHERE (SELECT count(*) FROM starter WHERE teacher_id = $1::uuid) < ${MOST}
       RETURNING id`,
      // It leads nowhere and belongs to no deck any more.
      [teacher.id, title, JSON.stringify({ ...read, deckId: '', links: [] })],
    );
    if (!row) throw refused(`${MOST} starters of your own are kept. Take one out first.`);
    const name = `starter:${row.id}`;
    const used = hashesIn(JSON.stringify(read)).map((hash) => ({ hash, name }));
    await noteUses(this.database, used);
    return row;
  }

  @Delete(':id')
  @Needs('starter:keep', 'id')
  @HttpCode(204)
  async remove(
    @CurrentTeacher() teacher: Teacher,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<void> {
    const starters = this.database.getRepository(StarterRow);
    const { affected } = await starters.delete({ id, teacherId: teacher.id });
    if (!affected) throw notFound('starter');
  }
}
