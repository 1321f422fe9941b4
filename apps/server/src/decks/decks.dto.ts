import { Transform } from 'class-transformer';
import { IsOptional, IsString, Length, MaxLength } from 'class-validator';

const trim = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.trim() : value;

export class NewDeckDto {
  @Transform(trim)
  @IsString()
  @Length(1, 200, { message: 'A deck needs a name of 1 to 200 characters' })
  title: string;

  /** One of ours to begin with. */
  @IsOptional()
  @IsString()
  @MaxLength(60)
  beginning?: string;

  /** A written plan to begin with. */
  @IsOptional()
  @IsString()
  @MaxLength(150_000, { message: 'A plan has 150,000 signs at the most' })
  plan?: string;
}
