import { Transform } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
} from 'class-validator';

const WORDS = { message: 'A comment has 1 to 4,000 signs' };
const trim = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.trim() : value;
const NAME = /^[\w-]{1,64}$/;

export class CommentDto {
  @Matches(NAME, { message: 'That is no slide' })
  slideId: string;

  @IsOptional()
  @Matches(NAME, { message: 'That is no thing on a slide' })
  elementId?: string;

  /** What it answers. */
  @IsOptional()
  @IsUUID(undefined, { message: 'That is no comment' })
  underId?: string;

  @Transform(trim)
  @IsString(WORDS)
  @Length(1, 4000, WORDS)
  words: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20, { message: 'A comment calls twenty people at the most' })
  @IsUUID(undefined, { each: true, message: 'That is nobody who has the deck' })
  mentions?: string[];
}

export class CommentChangeDto {
  @IsOptional()
  @Transform(trim)
  @IsString(WORDS)
  @Length(1, 4000, WORDS)
  words?: string;

  @IsOptional()
  @IsBoolean({ message: 'A thread is done, or not' })
  isDone?: boolean;
}
