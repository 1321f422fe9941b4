import { Transform } from 'class-transformer';
import { IsEmail, IsString, Length } from 'class-validator';

const trim = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.trim() : value;

export class NewDeckDto {
  @Transform(trim)
  @IsString()
  @Length(1, 200, { message: 'A deck needs a name of 1 to 200 characters' })
  title: string;
}

export class PersonDto {
  @Transform(trim)
  @IsEmail({}, { message: 'That is not an e-mail address' })
  email: string;
}
