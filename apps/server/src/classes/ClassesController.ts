import { Body, Controller, Get, Post, UseGuards } from '@nestjs/common';
import { Transform } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsString, Length, MaxLength } from 'class-validator';
import { CurrentTeacher, TeacherGuard, type Teacher } from '../access/guards.js';
import { ClassesService, type ClassList } from './ClassesService.js';

export class NewClassDto {
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value))
  @IsString()
  @Length(1, 80, { message: 'A class needs a name of 1 to 80 characters' })
  name: string;

  @IsArray()
  @ArrayMaxSize(500, { message: 'A class list holds 500 names at the most' })
  @IsString({ each: true })
  @MaxLength(60, { each: true, message: 'A name has 60 characters at the most' })
  students: string[];
}

@Controller('api/classes')
@UseGuards(TeacherGuard)
export class ClassesController {
  constructor(private readonly classes: ClassesService) {}

  @Get()
  list(@CurrentTeacher() teacher: Teacher): Promise<ClassList[]> {
    return this.classes.list(teacher.id);
  }

  @Post()
  async create(
    @CurrentTeacher() teacher: Teacher,
    @Body() body: NewClassDto,
  ): Promise<{ id: string }> {
    return { id: await this.classes.create(teacher.id, body.name, body.students) };
  }
}
