import type * as Y from 'yjs';
import { can, type Capability, type Role } from '../access/access.js';
import { refuse, type Refusal, type Result } from '../parts/refusals.js';
import { COMMAND } from './history.js';

/** What a command is going to do, once it is known that it can; or why it does not apply. Planning changes nothing. */
export type Plan<T extends object = object> = Refusal | Change<T>;
/** Changes the document, inside a transaction, and gives what the command answers with. It cannot fail any more. */
export type Change<T extends object = object> = object extends T ? () => undefined : () => T;

/** A way to change a document, as a value. Called as it is, it is run where nobody is asked: by what imports or grows a deck. */
export interface Command<Args extends unknown[], T extends object = object> {
  (doc: Y.Doc, ...args: Args): Result<T>;
  readonly name: string;
  /** What whoever runs it must be able to, on the deck or folio that the document is. */
  readonly needs: Capability;
  /** Why it would be refused now, or null. What a button or a key asks before it offers the command. */
  readonly applies: (doc: Y.Doc, ...args: Args) => Refusal | null;
  readonly plan: (doc: Y.Doc, ...args: Args) => Plan<T>;
}

/** Makes a command: one transaction, and thereby one step of undo. */
export function command<Args extends unknown[], T extends object>(
  name: string,
  needs: Capability,
  plan: (doc: Y.Doc, ...args: Args) => Plan<T>,
): Command<Args, T> {
  const applies = (doc: Y.Doc, ...args: Args): Refusal | null => {
    const planned = plan(doc, ...args);
    return isRefusal(planned) ? planned : null;
  };
  const whole = (doc: Y.Doc, ...args: Args): Result<T> => {
    const planned = plan(doc, ...args);
    if (isRefusal(planned)) return planned;
    const answer = doc.transact<T | undefined>(planned, COMMAND);
    return { ok: true, ...answer } as Result<T>;
  };
  Object.defineProperty(whole, 'name', { value: name });
  return Object.assign(whole, { needs, applies, plan });
}

/** A command that has nothing to do changes nothing, and is not refused. */
export const UNCHANGED = (): undefined => undefined;

export const isRefusal = <T extends object>(planned: Plan<T>): planned is Refusal =>
  typeof planned !== 'function';

/** What a command answered of which it was asked beforehand whether it applies. */
export function done<T extends object>(result: Result<T>): T {
  if (!result.ok) throw new Error(`It should have applied: ${result.code}`);
  return result;
}

/** Knows what somebody is to a document. */
export interface Gate {
  may(needs: Capability): boolean;
}

export const gateOf = (roles: readonly Role[]): Gate => ({ may: (needs) => can(roles, needs) });

/** The gate of somebody who may just this, without the table of roles: what a student's device carries. */
export const gateFor = (...abilities: readonly Capability[]): Gate => ({
  may: (needs) => abilities.includes(needs),
});

/** The one gate for change: whoever may not is refused, whoever may is told whether it applies. */
export function run<Args extends unknown[], T extends object>(
  gate: Gate,
  doc: Y.Doc,
  command: Command<Args, T>,
  ...args: Args
): Result<T> {
  return gate.may(command.needs) ? command(doc, ...args) : refuse('role.no');
}

/** The gate of one document and one person: what a command answers, or null when it was refused and that has been told. */
export type RunCommand = <Args extends unknown[], T extends object>(
  command: Command<Args, T>,
  ...args: Args
) => T | null;

/** Why somebody could not run a command now, or null. */
export function refusalOf<Args extends unknown[], T extends object>(
  gate: Gate,
  doc: Y.Doc,
  command: Command<Args, T>,
  ...args: Args
): Refusal | null {
  return gate.may(command.needs) ? command.applies(doc, ...args) : refuse('role.no');
}
