import type { ClassList, SeenInLesson } from '@gobrel/core';
import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  MaxLength,
  ValidateNested,
} from 'class-validator';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { ClassesService } from './ClassesService.js';
import { Needs } from '../access/needs.js';

export class StudentOfListDto {
  @IsOptional()
  @IsUUID()
  id?: string | null;

  @IsString()
  @MaxLength(60, { message: 'A name has 60 characters at the most' })
  name: string;

  @IsOptional()
  @IsString()
  @MaxLength(60, { message: 'A group’s name has 60 characters at the most' })
  group?: string;
}

export class ClassDto {
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value))
  @IsString()
  @Length(1, 80, { message: 'A class needs a name of 1 to 80 characters' })
  name: string;

  @IsArray()
  @ArrayMaxSize(500, { message: 'A class list holds 500 names at the most' })
  @ValidateNested({ each: true })
  @Type(() => StudentOfListDto)
  students: StudentOfListDto[];
}

export class ArchiveDto {
  @IsBoolean()
  isArchived: boolean;
}

@Controller('api/classes')
@Needs('site:teach')
export class ClassesController {
  constructor(private readonly classes: ClassesService) {}

  @Get()
  list(@CurrentTeacher() teacher: Teacher): Promise<ClassList<Date>[]> {
    return this.classes.list(teacher.id);
  }

  @Post()
  async create(
    @CurrentTeacher() teacher: Teacher,
    @Body() body: ClassDto,
  ): Promise<{ id: string }> {
    return { id: await this.classes.create(teacher.id, body.name, body.students) };
  }

  @Put(':id')
  @Needs('class:keep', 'id')
  @HttpCode(204)
  change(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() body: ClassDto,
  ): Promise<void> {
    return this.classes.change(teacher.id, id, body.name, body.students);
  }

  @Post(':id/archive')
  @Needs('class:keep', 'id')
  @HttpCode(204)
  archive(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
    @Body() { isArchived }: ArchiveDto,
  ): Promise<void> {
    return this.classes.setArchived(teacher.id, id, isArchived);
  }

  @Get(':id/lessons')
  @Needs('class:keep', 'id')
  lessons(
    @CurrentTeacher() teacher: Teacher,
    @Param('id') id: string,
  ): Promise<SeenInLesson<Date>[]> {
    return this.classes.lessons(teacher.id, id);
  }
}
