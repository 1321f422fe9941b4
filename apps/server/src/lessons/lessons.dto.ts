import {
  MARKS_SEEN,
  type LessonSettings,
  type SlideId,
  type ElementId,
  type FolioId,
} from '@gobrel/core';
import { Transform, Type } from 'class-transformer';
import {
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';

export class SettingsDto implements Partial<LessonSettings> {
  @IsOptional()
  @IsIn(MARKS_SEEN, { message: 'That is no time to see marks' })
  seesMarks?: LessonSettings['seesMarks'];

  @IsOptional()
  @IsBoolean()
  isReleased?: boolean;

  @IsOptional()
  @IsBoolean()
  locksDone?: boolean;

  @IsOptional()
  @IsBoolean()
  seesClassAnswers?: boolean;

  @IsOptional()
  @IsBoolean()
  seesLeaves?: boolean;

  @IsOptional()
  @IsInt()
  @Min(1, { message: 'A folio is handed in once at least' })
  @Max(9, { message: 'A folio is handed in nine times at the most' })
  attempts?: number;

  @IsOptional()
  @IsBoolean()
  byGroups?: boolean;

  @IsOptional()
  @IsBoolean()
  hasWaitingRoom?: boolean;

  @IsOptional()
  @IsBoolean()
  countsLate?: boolean;
}

/** When a lesson opens and closes by itself. */
export class TimesDto {
  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'That is no time to open at' })
  opensAt?: string | null;

  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'That is no time to close at' })
  closesAt?: string | null;
}

export class NewLessonDto extends TimesDto {
  @IsOptional()
  @IsUUID()
  classListId: string | null;

  @IsBoolean()
  allowsTypedNames: boolean;

  @IsOptional()
  @IsIn(['together', 'own'])
  pace?: 'together' | 'own';

  @IsOptional()
  @ValidateNested()
  @Type(() => SettingsDto)
  settings?: SettingsDto;
}

const SLIDE = /^[a-z0-9-]{1,64}$/;

export class PaceDto {
  @IsIn(['together', 'own'])
  pace: 'together' | 'own';

  /** Where the class goes, when together. */
  @IsOptional()
  @Matches(SLIDE, { message: 'That is not a slide' })
  slideId: SlideId | null;
}

export class HoldDto {
  @IsBoolean()
  isHeld: boolean;

  /** A word that goes with the hold. */
  @IsOptional()
  @IsString()
  @MaxLength(200, { message: 'A word with the hold has 200 characters at the most' })
  word?: string;
}

export class TimerDto {
  /** Seconds from now; null stops the timer. */
  @IsOptional()
  @IsInt()
  @Min(5, { message: 'A timer runs for five seconds at least' })
  @Max(3 * 3600, { message: 'A timer runs for three hours at the most' })
  seconds: number | null;
}

export class PutUpDto {
  /** Null takes down what is put up. */
  @IsOptional()
  @Matches(SLIDE, { message: 'That is not a question' })
  questionId: ElementId | null;

  @IsOptional()
  @IsBoolean()
  showsKey?: boolean;

  @IsOptional()
  @IsBoolean()
  isInPlace?: boolean;
}

export class ShowDto {
  /** Whose answer; null takes it down. */
  @IsOptional()
  @IsUUID()
  folioId: FolioId | null;

  @IsOptional()
  @Matches(SLIDE, { message: 'That is not a question' })
  questionId?: ElementId;

  @IsOptional()
  @IsBoolean()
  withName?: boolean;
}

export class LikenDto {
  @Matches(SLIDE, { message: 'That is not a question' })
  questionId: ElementId;

  /** What was written, and what it is to count as; null parts them again. */
  @IsString()
  @Length(1, 300)
  text: string;

  @IsOptional()
  @IsString()
  @MaxLength(300)
  as: string | null;
}

export class AskDto {
  /** A slide as the clipboard has it; null takes what was asked from before everyone. */
  @IsOptional()
  @IsString()
  @MaxLength(2_000_000, { message: 'This question is too large' })
  clip: string | null;
}

export class VoteDto {
  /** Open, close, or put the vote away. */
  @IsIn(['open', 'closed', 'none'])
  vote: 'open' | 'closed' | 'none';
}

export class StarDto {
  @Matches(/^[0-9a-f-]{36}\/[a-z0-9-]{1,64}$/, { message: 'That is not an answer' })
  answer: string;

  @IsBoolean()
  isStarred: boolean;
}

export class StudentDto {
  @IsOptional()
  @Transform(({ value }: { value: unknown }) =>
    typeof value === 'string' ? value.replace(/\s+/g, ' ').trim() : value,
  )
  @IsString()
  @Length(1, 60, { message: 'A name has 1 to 60 characters' })
  @Matches(/^[^\p{C}<>]*$/u, { message: 'A name is made of letters, no signs of markup' })
  name?: string;

  @IsOptional()
  @IsIn(['in'])
  status?: 'in';

  /** One more device may come in under this name. */
  @IsOptional()
  @IsBoolean()
  mayAddDevice?: boolean;

  @IsOptional()
  @IsIn([false], { message: 'Only the student puts a hand up' })
  hasHandUp?: false;
}

export class LineUpDto {
  /** Who comes after; null for the end. */
  @IsOptional()
  @IsUUID()
  before: FolioId | null;
}

export class PresentDto {
  /** Whose turn it is; null ends presenting. */
  @IsOptional()
  @IsUUID()
  folioId: FolioId | null;
}
