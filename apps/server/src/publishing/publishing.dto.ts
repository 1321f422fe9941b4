import { MOST_STEPS_TOLD, type PublishSettings, type WalkedStep } from '@gobrel/core';
import { Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsDate,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  MaxLength,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

const MOST_SITES = 30;

/** What somebody writes who means a site, as origins are written; anything else as it is. */
const asOrigin = (written: unknown): unknown => {
  if (typeof written !== 'string') return written;
  const words = written.trim();
  try {
    return new URL(/^https?:\/\//i.test(words) ? words : `https://${words}`).origin;
  } catch {
    return words;
  }
};

export class PublishDto implements PublishSettings<Date> {
  @ValidateIf((_, value) => value !== null)
  @Type(() => Date)
  @IsDate({ message: 'The end is a day and a time' })
  endsAt: Date | null;

  @IsBoolean({ message: 'Questions can be tried, or not' })
  allowsTries: boolean;

  @IsBoolean({ message: 'Copies can be taken, or not' })
  allowsCopies: boolean;

  @ValidateIf((_, value) => value !== null)
  @Transform(({ value }: { value: unknown }) =>
    Array.isArray(value) ? [...new Set(value.map(asOrigin))] : value,
  )
  @IsArray()
  @ArrayMaxSize(MOST_SITES, { message: `A deck can stand on ${MOST_SITES} sites` })
  @Matches(/^https?:\/\/[a-z0-9.-]+(:\d{1,5})?$/, {
    each: true,
    message: 'A site is an address as https://school.example',
  })
  sites: string[] | null;

  /** A new pass word; '' takes it away; not said: it stays. */
  @IsOptional()
  @IsString()
  @MaxLength(100, { message: 'A pass word has 100 characters at the most' })
  pass?: string;

  /** The picture of the first slide, brought before. */
  @IsOptional()
  @Matches(/^[0-9a-f]{64}$/, { message: 'That is no picture that was brought before' })
  picture?: string;
}

export class PassDto {
  @IsString()
  @Length(1, 100, { message: 'Type the pass word' })
  pass: string;
}

class StepDto implements WalkedStep {
  @IsString()
  @MaxLength(64)
  slideId: string;

  @IsString()
  @MaxLength(64)
  via: string;
}

export class StepsDto {
  @IsArray()
  @ArrayMaxSize(MOST_STEPS_TOLD)
  @ValidateNested({ each: true })
  @Type(() => StepDto)
  steps: StepDto[];
}

export class TryDto {
  @IsString()
  @MaxLength(64)
  questionId: string;

  /** As its kind says it; read by the core. */
  @IsOptional()
  @IsObject()
  answer?: object;

  /** Where the pieces of its slide lie. */
  @IsOptional()
  @IsObject()
  placements?: Record<string, unknown>;
}
