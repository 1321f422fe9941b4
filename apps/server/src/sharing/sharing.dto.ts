import { GIVEN_ROLES, type GivenRole } from '@gobrel/core';
import { Transform } from 'class-transformer';
import { IsEmail, IsIn, IsUUID, MaxLength } from 'class-validator';

const NO_ROLE = { message: 'One can look at a deck, comment on it, or build it together with you' };

export class InvitationDto {
  @Transform(({ value }: { value: unknown }) =>
    typeof value === 'string' ? value.trim().toLowerCase() : value,
  )
  @IsEmail({}, { message: 'That is not an e-mail address' })
  @MaxLength(254, { message: 'That is not an e-mail address' })
  email: string;

  @IsIn(GIVEN_ROLES, NO_ROLE)
  role: GivenRole;
}

export class RoleDto {
  @IsIn(GIVEN_ROLES, NO_ROLE)
  role: GivenRole;
}

export class OwnerDto {
  @IsUUID(undefined, { message: 'That is nobody the deck is shared with' })
  personId: string;
}
