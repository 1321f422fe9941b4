import { Transform } from 'class-transformer';
import { IsEmail, IsString, Length } from 'class-validator';

const trim = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.trim() : value;

export class SignInDto {
  @Transform(trim)
  @IsEmail({}, { message: 'That is not an e-mail address' })
  email: string;

  @IsString()
  @Length(1, 200, { message: 'Type your password' })
  password: string;
}

export class SignUpDto {
  @Transform(trim)
  @IsEmail({}, { message: 'That is not an e-mail address' })
  email: string;

  @Transform(trim)
  @IsString()
  @Length(1, 80, { message: 'A name has 1 to 80 characters' })
  name: string;

  @IsString()
  @Length(10, 200, { message: 'A password has at least 10 characters' })
  password: string;
}
