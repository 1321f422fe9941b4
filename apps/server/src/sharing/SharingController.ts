import type { CopyOffer, DeckPeople, Invitation, Role } from '@gobrel/core';
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
import { InvitationDto, OwnerDto, RoleDto } from './sharing.dto.js';
import { SharingService } from './SharingService.js';

/** Whom a deck is shared with. */
@Controller('api/decks/:id')
export class SharingController {
  constructor(
    private readonly sharing: SharingService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Names and addresses are for those who work on it together. */
  @Get()
  @Needs('deck:write', 'id')
  async people(@CurrentRole() role: Role, @Param('id') id: string): Promise<DeckPeople<Date>> {
    const isOwner = role === 'owner';
    const [people, invitations, copyToken] = await Promise.all([
      this.sharing.people(id),
      isOwner ? this.sharing.open(id) : [],
      isOwner ? this.sharing.copyTokenOf(id) : null,
    ]);
    return { id, role, people, invitations, copyToken };
  }

  @Post('invitations')
  @Needs('deck:own', 'id')
  @HttpCode(200)
  async invite(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() body: InvitationDto,
    @Req() request: Request,
  ): Promise<{ isInOutbox: boolean }> {
    const here = ownAddress(this.config, request);
    return { isInOutbox: await this.sharing.invite(teacher, id, body, here) };
  }

  @Delete('invitations/:invitationId')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async withdraw(
    @Param('id') id: string,
    @Param('invitationId', ParseUUIDPipe) invitationId: string,
  ): Promise<void> {
    await this.sharing.withdraw(id, invitationId);
  }

  @Patch('people/:personId')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async changeRole(
    @Param('id') id: string,
    @Param('personId', ParseUUIDPipe) personId: string,
    @Body() { role }: RoleDto,
  ): Promise<void> {
    await this.sharing.changeRole(id, personId, role);
  }

  @Delete('people/:personId')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async takeOut(
    @Param('id') id: string,
    @Param('personId', ParseUUIDPipe) personId: string,
  ): Promise<void> {
    await this.sharing.takeOut(id, personId);
  }

  /** From now on whoever has the address may take a copy. */
  @Post('copies')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async offerCopies(@Param('id') id: string): Promise<void> {
    await this.sharing.offerCopies(id);
  }

  @Delete('copies')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async offerNoCopies(@Param('id') id: string): Promise<void> {
    await this.sharing.offerNoCopies(id);
  }

  /** Hands the deck over; who had it builds on together with the new owner. */
  @Post('owner')
  @Needs('deck:own', 'id')
  @HttpCode(204)
  async handOver(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { personId }: OwnerDto,
  ): Promise<void> {
    await this.sharing.handOver(id, teacher.id, personId);
  }

  /** Somebody it is shared with gives it back. */
  @Delete('membership')
  @Needs('deck:leave', 'id')
  @HttpCode(204)
  async leave(@CurrentTeacher() teacher: Teacher, @Param('id') id: string): Promise<void> {
    await this.sharing.takeOut(id, teacher.id);
  }
}

/** The other end of an address from which copies are taken. */
@Controller('api/copies/:token')
@Needs('site:visit')
export class CopiesController {
  constructor(private readonly sharing: SharingService) {}

  @Get()
  show(@Param('token') token: string): Promise<CopyOffer> {
    return this.sharing.copyOffer(token);
  }

  @Post()
  @Needs('site:teach')
  async take(
    @CurrentTeacher() teacher: Teacher,
    @Param('token') token: string,
  ): Promise<{ id: string }> {
    return { id: await this.sharing.takeCopy(token, teacher.id) };
  }
}

/** The other end of an invitation: whoever has the letter. */
@Controller('api/invitations/:token')
@Needs('site:visit')
export class InvitationsController {
  constructor(private readonly sharing: SharingService) {}

  @Get()
  show(@Param('token') token: string): Promise<Invitation> {
    return this.sharing.find(token);
  }

  @Post('accept')
  @Needs('site:teach')
  @HttpCode(200)
  async accept(
    @CurrentTeacher() teacher: Teacher,
    @Param('token') token: string,
  ): Promise<{ deckId: string }> {
    return { deckId: await this.sharing.accept(token, teacher) };
  }

  /** It takes no account to say no. */
  @Post('decline')
  @HttpCode(204)
  async decline(@Param('token') token: string): Promise<void> {
    await this.sharing.decline(token);
  }
}
