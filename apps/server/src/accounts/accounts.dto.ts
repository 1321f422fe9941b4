import { applyDecorators } from '@nestjs/common';
import { Transform } from 'class-transformer';
import { IsEmail, IsString, Length } from 'class-validator';
import { IsUncommon } from './commonPasswords.js';

const trim = ({ value }: { value: unknown }): unknown =>
  typeof value === 'string' ? value.trim() : value;

/** A password that is made now. */
const IsNewPassword = (): PropertyDecorator =>
  applyDecorators(
    IsString(),
    Length(10, 200, { message: 'A password has at least 10 characters' }),
    IsUncommon(),
  );

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

  @IsNewPassword()
  password: string;
}

export class NameDto {
  @Transform(trim)
  @IsString()
  @Length(1, 80, { message: 'A name has 1 to 80 characters' })
  name: string;
}

export class NewPasswordDto {
  /** The one that it was. */
  @IsString()
  @Length(1, 200, { message: 'Type the password that you have now' })
  now: string;

  @IsNewPassword()
  password: string;
}

export class ResetDto {
  @IsNewPassword()
  password: string;
}

export class EmailDto {
  @Transform(trim)
  @IsEmail({}, { message: 'That is not an e-mail address' })
  email: string;
}
