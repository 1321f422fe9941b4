import { SERVER_LIMITS } from '@gobrel/core';
import type { NextFunction, Request, Response } from 'express';
import type { Config } from '../config.js';
import { sendProblem, tellRefusalsBy, tooMuch } from '../problems/problem.js';
import { Allowance } from './Allowance.js';
import { cookieOf } from './cookies.js';
import { InTurn } from './InTurn.js';
import { SESSION_COOKIE, STUDENT_COOKIE } from './tokens.js';

type Kind = keyof typeof SERVER_LIMITS.requests;

interface Asking {
  kind: Kind;
  allowance: Allowance;
  refusals: Allowance;
  underWay: number;
}

const MOST_REMEMBERED = 5000;
/** Milliseconds between two looks for devices that owe nothing. */
const FORGETS_EVERY = 1000;
/** What a picture costs of a request: a slide has many, and they are looked up and sent. */
const PICTURE = 0.2;

/**
 * So much of the server to every device: one that asks without end is told to wait before anything is looked up for it.
 * Devices are told apart by their cookies, which may be made up: what all behind one address ask for is counted, too.
 * What comes at the same time is begun one after another, of one device after another, so that what is said over sockets
 * is heard in between. Who is refused all the time is told so later.
 */
export function fairShare(
  config: Config,
): (request: Request, response: Response, next: NextFunction) => void {
  const known = new Map<string, Asking>();
  const inTurn = new InTurn();
  let forgotAt = 0;
  const askingOf = (key: string, kind: Kind): Asking => {
    const found = known.get(key);
    if (found) return found;
    // Seldom: looking through all of them for each one that is new would be what somebody could be after.
    if (known.size > MOST_REMEMBERED && performance.now() - forgotAt > FORGETS_EVERY) {
      forgotAt = performance.now();
      for (const [old, { allowance, refusals, underWay }] of known) {
        if (underWay === 0 && allowance.isFull && refusals.isFull) known.delete(old);
      }
    }
    const fresh = {
      kind,
      allowance: new Allowance(SERVER_LIMITS.requests[kind]),
      refusals: new Allowance(SERVER_LIMITS.refusals[kind]),
      underWay: 0,
    };
    known.set(key, fresh);
    return fresh;
  };
  return (request, response, next) => {
    const teacher = cookieOf(request, config, SESSION_COOKIE);
    const student = cookieOf(request, config, STUDENT_COOKIE);
    const address = askingOf(`address ${request.ip ?? ''}`, 'address');
    const all = [
      address,
      ...(teacher ? [askingOf(`teacher ${teacher}`, 'teacher')] : []),
      ...(student && !teacher ? [askingOf(`student ${student}`, 'student')] : []),
      ...(teacher || student ? [] : [askingOf(`unknown ${request.ip ?? ''}`, 'unknown')]),
    ];
    const cost = request.path.startsWith('/assets/') ? PICTURE : 1;
    const owed = Math.max(...all.map(({ allowance }) => allowance.take(cost)));
    const isBusy = all.some(
      ({ kind, underWay }) => underWay >= SERVER_LIMITS.requests[kind].underWay,
    );
    if (isBusy) {
      for (const { allowance } of all) allowance.take(-cost);
      return void request.socket.destroy();
    }
    for (const one of all) one.underWay++;
    let isUnderWay = true;
    const leave = (): void => {
      if (isUnderWay) for (const one of all) one.underWay--;
      isUnderWay = false;
    };
    response.once('close', leave);
    tellRefusalsBy(response, () => {
      // While it only waits to be told it keeps nobody out; who asks for more than their share does.
      if (owed <= 0) leave();
      const isTooOften = Math.max(...all.map(({ refusals }) => refusals.take(1))) > 0;
      return isTooOften ? SERVER_LIMITS.refusals.after : 0;
    });
    if (owed <= 0) {
      inTurn.enter(teacher || student || (request.ip ?? ''), next);
      return;
    }
    // What was refused is not owed: who waits as told is let in.
    for (const { allowance } of all) allowance.take(-cost);
    sendProblem(response, tooMuch(Math.max(1, Math.ceil(owed / 1000))));
  };
}
