import { createHash, randomBytes, randomInt } from 'node:crypto';

/** 256 random bits for a cookie; only its hash is stored. */
export const makeToken = (): string => randomBytes(32).toString('base64url');

export const hashToken = (token: string): string =>
  createHash('sha256').update(token).digest('hex');

export const random = (below: number): number => randomInt(below);

export const SESSION_COOKIE = 'gobrel_session';
export const SCREEN_COOKIE = 'gobrel_screen';
/** Tells devices behind one address apart, so that one that guesses does not shut out the others. */
export const DEVICE_COOKIE = 'gobrel_device';
/** Pass words of published decks that this device has told. */
export const READER_COOKIE = 'gobrel_reader';
/** The show that this device follows. */
export const FOLLOWER_COOKIE = 'gobrel_follower';
/** The show that this device steers. */
export const REMOTE_COOKIE = 'gobrel_remote';
export const STUDENT_COOKIE = 'gobrel_student';
