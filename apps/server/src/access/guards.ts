import {
  createParamDecorator,
  Injectable,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { can, thingOf, type Role } from '@gobrel/core';
import type { Request } from 'express';
import { notFound, Problem, signInFirst } from '../problems/problem.js';
import { AccessService, NOBODY, type Visitor } from './AccessService.js';
import { NEED, type Need } from './needs.js';

export type Teacher = NonNullable<Visitor['teacher']>;
export type Student = NonNullable<Visitor['student']>;
type Known = Request & { visitor?: Visitor; roles?: Role[] };

/** Stands before every route: asks the table whether who asks may do what the route says it does. The default is no. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    private readonly access: AccessService,
    private readonly reflector: Reflector,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const need = this.reflector.getAllAndOverride<Need | undefined>(NEED, [
      context.getHandler(),
      context.getClass(),
    ]);
    if (!need) throw new Problem(403, 'Not allowed', 'Nobody may do this.');
    // What anyone may do is not worth looking up who asks.
    if (can([], need.capability)) return true;
    const request = context.switchToHttp().getRequest<Known>();
    const { cookie } = request.headers;
    const visitor = (request.visitor ??= await this.access.visitorOf(cookie));
    const id = need.param ? String(request.params[need.param]) : '';
    const roles = await this.access.rolesOn(visitor, thingOf(need.capability), id, cookie);
    request.roles = roles;
    if (!can(roles, need.capability)) throw refusalOf(need, visitor, roles);
    return true;
  }
}

/** Whoever is nothing to a thing is not told whether there is one. */
function refusalOf(
  { capability, param, what }: Need,
  visitor: Visitor,
  roles: readonly Role[],
): Problem {
  if (capability.startsWith('lesson:') && !param) {
    return roles.includes('waiting')
      ? new Problem(403, 'Not yet', 'Your teacher has not let you in yet.')
      : new Problem(401, 'Not in a lesson', 'Join the lesson with its code first.');
  }
  // Who follows or steers a show has no account to sign in to.
  const isNamed = visitor.teacher !== null || /^(file|show):/.test(capability);
  return isNamed ? notFound(what) : signInFirst();
}

const visitorIn = (context: ExecutionContext): Visitor =>
  context.switchToHttp().getRequest<Known>().visitor ?? NOBODY;

export const CurrentVisitor = createParamDecorator((_: unknown, context: ExecutionContext) =>
  visitorIn(context),
);

export const CurrentTeacher = createParamDecorator(
  (_: unknown, context: ExecutionContext): Teacher => {
    const { teacher } = visitorIn(context);
    if (!teacher) throw signInFirst();
    return teacher;
  },
);

export const CurrentStudent = createParamDecorator(
  (_: unknown, context: ExecutionContext): Student => {
    const { student } = visitorIn(context);
    if (!student) throw signInFirst();
    return student;
  },
);

/** What whoever asks is to the thing that is asked for. */
export const CurrentRole = createParamDecorator(
  (_: unknown, context: ExecutionContext): Role | undefined =>
    context.switchToHttp().getRequest<Known>().roles?.[0],
);
