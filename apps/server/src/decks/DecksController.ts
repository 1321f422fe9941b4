import type { DeckCard, Walks } from '@gobrel/core';
import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { NewDeckDto } from './decks.dto.js';
import { DecksService } from './DecksService.js';
import { Needs } from '../access/needs.js';

@Controller('api/decks')
@Needs('site:teach')
export class DecksController {
  constructor(private readonly decks: DecksService) {}

  @Get()
  list(@CurrentTeacher() teacher: Teacher): Promise<DeckCard<Date>[]> {
    return this.decks.list(teacher.id, 'decks');
  }

  @Get('trash')
  trash(@CurrentTeacher() teacher: Teacher): Promise<DeckCard<Date>[]> {
    return this.decks.list(teacher.id, 'trash');
  }

  @Post()
  async create(
    @CurrentTeacher() teacher: Teacher,
    @Body() body: NewDeckDto,
  ): Promise<{ id: string }> {
    return { id: await this.decks.create(teacher.id, body) };
  }

  /** What a link from another deck can lead to, in the order of the map. */
  @Get(':id/slides')
  @Needs('deck:read', 'id')
  async slides(@Param('id') id: string): Promise<{ id: string; title: string }[]> {
    const { slides } = await this.decks.read(id);
    return Object.values(slides)
      .sort((a, b) => a.x - b.x || a.y - b.y)
      .map(({ id, title }) => ({ id, title }));
  }

  /** How often students have come to each slide, and followed each link, in all lessons on this deck. */
  @Get(':id/walks')
  @Needs('deck:teach', 'id')
  async walks(@Param('id') id: string): Promise<Walks> {
    return this.decks.walks(id);
  }

  @Post(':id/copy')
  @Needs('deck:copy', 'id')
  async duplicate(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ id: string }> {
    return { id: await this.decks.duplicate(teacher.id, id) };
  }

  @Delete(':id')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async trashDeck(@Param('id') id: string): Promise<void> {
    await this.decks.setTrashed(id, true);
  }

  @Post(':id/restore')
  @Needs('trash:restore', 'id', 'deck')
  @HttpCode(204)
  async restore(@Param('id') id: string): Promise<void> {
    await this.decks.setTrashed(id, false);
  }
}
