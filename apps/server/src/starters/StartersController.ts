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
import { OwnThings } from '../database/OwnThings.js';
import { invalid } from '../problems/problem.js';
import { Needs } from '../access/needs.js';
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

@Controller('api/starters')
@Needs('site:teach')
export class StartersController {
  readonly #own: OwnThings<StarterRow>;

  constructor(private readonly database: DataSource) {
    this.#own = new OwnThings(database, StarterRow, 'starter', 200);
  }

  @Get()
  list(@CurrentTeacher() { id }: Teacher): Promise<KeptStarter[]> {
    return this.#own.list(id, 'id', 'title', 'clip');
  }

  @Post()
  async keep(
    @CurrentTeacher() teacher: Teacher,
    @Body() { title, clip }: NewStarterDto,
  ): Promise<{ id: string }> {
    const read = readClip(clip);
    if (!read || read.slides.length !== 1) throw invalid('One slide is kept as a starter.');
    const row = await this.#own.keep(teacher.id, {
      title,
      // It leads nowhere and belongs to no deck any more.
      clip: JSON.stringify({ ...read, deckId: '', links: [] }),
    });
    const name = `starter:${row.id}`;
    const used = hashesIn(JSON.stringify(read)).map((hash) => ({ hash, name }));
    await noteUses(this.database, used);
    return row;
  }

  @Delete(':id')
  @Needs('starter:keep', 'id')
  @HttpCode(204)
  remove(
    @CurrentTeacher() teacher: Teacher,
    @Param('id', ParseUUIDPipe) id: string,
  ): Promise<void> {
    return this.#own.remove(teacher.id, id);
  }
}
