import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsOptional,
  IsUUID,
  Matches,
} from 'class-validator';

export class NewLessonDto {
  @IsOptional()
  @IsUUID()
  classListId: string | null;

  @IsBoolean()
  allowsTypedNames: boolean;
}

const SLIDE = /^[a-z0-9-]{1,64}$/;

export class PaceDto {
  @IsIn(['together', 'own'])
  pace: 'together' | 'own';

  /** Where the class goes, when together. */
  @IsOptional()
  @Matches(SLIDE, { message: 'That is not a slide' })
  slideId: string | null;
}

export class HoldDto {
  @IsBoolean()
  isHeld: boolean;
}

export class LineUpDto {
  @IsArray()
  @ArrayMaxSize(500)
  @IsUUID('all', { each: true })
  folioIds: string[];
}

export class PresentDto {
  /** Whose turn it is; null ends presenting. */
  @IsOptional()
  @IsUUID()
  folioId: string | null;
}
