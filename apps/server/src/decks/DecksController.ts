import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  UseGuards,
} from '@nestjs/common';
import { AccessService, isUuid } from '../access/AccessService.js';
import { CurrentTeacher, TeacherGuard, type Teacher } from '../access/guards.js';
import { notFound } from '../problems/problem.js';
import { NewDeckDto, PersonDto } from './decks.dto.js';
import { DecksService, type DeckCard, type Person, type Walks } from './DecksService.js';

@Controller('api/decks')
@UseGuards(TeacherGuard)
export class DecksController {
  constructor(
    private readonly decks: DecksService,
    private readonly access: AccessService,
  ) {}

  @Get()
  list(@CurrentTeacher() teacher: Teacher): Promise<DeckCard[]> {
    return this.decks.list(teacher.id, 'decks');
  }

  @Get('trash')
  trash(@CurrentTeacher() teacher: Teacher): Promise<DeckCard[]> {
    return this.decks.list(teacher.id, 'trash');
  }

  @Post()
  async create(
    @CurrentTeacher() teacher: Teacher,
    @Body() body: NewDeckDto,
  ): Promise<{ id: string }> {
    return { id: await this.decks.create(teacher.id, body.title) };
  }

  @Get(':id')
  async open(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ id: string; role: string; people: Person[] }> {
    const role = await this.access.requireDeck(teacher.id, id);
    return { id, role, people: await this.decks.people(id) };
  }

  /** What a link from another deck can lead to, in the order of the map. */
  @Get(':id/slides')
  async slides(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ id: string; title: string }[]> {
    await this.access.requireDeck(teacher.id, id);
    const { slides } = await this.decks.read(id);
    return Object.values(slides)
      .sort((a, b) => a.x - b.x || a.y - b.y)
      .map(({ id, title }) => ({ id, title }));
  }

  /** How often students have come to each slide, and followed each link, in all lessons on this deck. */
  @Get(':id/walks')
  async walks(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<Walks> {
    await this.access.requireDeck(teacher.id, id);
    return this.decks.walks(id);
  }

  @Post(':id/copy')
  async duplicate(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<{ id: string }> {
    await this.access.requireDeck(teacher.id, id);
    return { id: await this.decks.duplicate(teacher.id, id) };
  }

  @Delete(':id')
  @HttpCode(204)
  async trashDeck(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<void> {
    await this.access.requireDeck(teacher.id, id, 'owner');
    await this.decks.setTrashed(id, true);
  }

  @Post(':id/restore')
  @HttpCode(204)
  async restore(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<void> {
    const trash = await this.decks.list(teacher.id, 'trash');
    if (!isUuid(id) || !trash.some((deck) => deck.id === id && deck.role === 'owner')) {
      throw notFound('deck');
    }
    await this.decks.setTrashed(id, false);
  }

  @Post(':id/people')
  @HttpCode(204)
  async invite(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() body: PersonDto,
  ): Promise<void> {
    await this.access.requireDeck(teacher.id, id, 'owner');
    await this.decks.addCoauthor(id, body.email);
  }

  @Delete(':id/people/:personId')
  @HttpCode(204)
  async removePerson(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Param('personId', ParseUUIDPipe) personId: string,
  ): Promise<void> {
    await this.access.requireDeck(teacher.id, id, 'owner');
    await this.decks.removeCoauthor(id, personId);
  }
}
