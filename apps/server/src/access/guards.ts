import {
  createParamDecorator,
  Injectable,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import type { Request } from 'express';
import { Problem, signInFirst } from '../problems/problem.js';
import { AccessService, type Visitor } from './AccessService.js';

export type Teacher = NonNullable<Visitor['teacher']>;
export type Student = NonNullable<Visitor['student']>;
type Known = Request & { visitor?: Visitor };

async function identify(access: AccessService, context: ExecutionContext): Promise<Visitor> {
  const request = context.switchToHttp().getRequest<Known>();
  return (request.visitor ??= await access.visitorOf(request.headers.cookie));
}

/** Lets signed-in teachers through. */
@Injectable()
export class TeacherGuard implements CanActivate {
  constructor(private readonly access: AccessService) {}
  async canActivate(context: ExecutionContext): Promise<boolean> {
    if (!(await identify(this.access, context)).teacher) throw signInFirst();
    return true;
  }
}

/** Lets students of a lesson through. */
@Injectable()
export class StudentGuard implements CanActivate {
  constructor(private readonly access: AccessService) {}
  async canActivate(context: ExecutionContext): Promise<boolean> {
    if (!(await identify(this.access, context)).student) {
      throw new Problem(401, 'Not in a lesson', 'Join the lesson with its code first.');
    }
    return true;
  }
}

/** Lets both through: pictures are added by teachers to decks and by students to leaves. */
@Injectable()
export class AnyoneKnownGuard implements CanActivate {
  constructor(private readonly access: AccessService) {}
  async canActivate(context: ExecutionContext): Promise<boolean> {
    const { teacher, student } = await identify(this.access, context);
    if (!teacher && !student) throw signInFirst();
    return true;
  }
}

export const CurrentVisitor = createParamDecorator(
  (_: unknown, context: ExecutionContext): Visitor =>
    context.switchToHttp().getRequest<Known>().visitor ?? { teacher: null, student: null },
);

export const CurrentTeacher = createParamDecorator(
  (_: unknown, context: ExecutionContext): Teacher => {
    const teacher = context.switchToHttp().getRequest<Known>().visitor?.teacher;
    if (!teacher) throw signInFirst();
    return teacher;
  },
);

export const CurrentStudent = createParamDecorator(
  (_: unknown, context: ExecutionContext): Student => {
    const student = context.switchToHttp().getRequest<Known>().visitor?.student;
    if (!student) throw signInFirst();
    return student;
  },
);
