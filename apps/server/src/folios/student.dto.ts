import type { SlideId, ElementId } from '@gobrel/core';
import { Transform } from 'class-transformer';
import {
  IsBoolean,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  MaxLength,
} from 'class-validator';

const clean = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.replace(/\s+/g, ' ').trim() : value;

export class CodeDto {
  @IsString()
  @MaxLength(40, { message: 'A join code is a word and three digits, like TERN 482' })
  code: string;
}

export class JoinDto extends CodeDto {
  @IsOptional()
  @IsUUID()
  classStudentId?: string;

  @IsOptional()
  @Transform(clean)
  @IsString()
  @Length(1, 60, { message: 'A name has 1 to 60 characters' })
  @Matches(/^[^\p{C}<>]*$/u, { message: 'A name is made of letters, no signs of markup' })
  name?: string;

  /** A device's own for this one wish to join: asked twice it gets the same folio, however the first time ended. */
  @IsOptional()
  @Matches(/^([0-9a-f]{32}|[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12})$/, {
    message: 'A key is a UUID, with dashes or without',
  })
  key?: string;

  /** The secret of a practice class. */
  @IsOptional()
  @IsString()
  @MaxLength(100)
  practice?: string;
}

export class ReturnDto extends CodeDto {
  @IsString()
  @MaxLength(20, { message: 'A return code has five characters' })
  returnCode: string;
}

export class HandDto {
  @IsBoolean()
  isUp: boolean;
}

export class DoneDto {
  @Matches(/^[a-zA-Z0-9_-]{1,64}$/, { message: 'That is not a question' })
  questionId: ElementId;
}

export class TurnDto {
  @Matches(/^[a-z0-9-]{1,64}$/, { message: 'That is not a leaf' })
  leafId: SlideId;
}
