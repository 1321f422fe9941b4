import { IsString, MaxLength } from 'class-validator';

export class CodeDto {
  @IsString()
  @MaxLength(40, { message: 'Type the code as it is shown' })
  code: string;
}
