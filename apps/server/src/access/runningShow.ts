import { createHmac, timingSafeEqual } from 'node:crypto';
import { makeToken } from './tokens.js';

/** Whether a show `s` can be followed now: for half a day, and as long as its teacher has the deck. */
export const IS_RUNNING = `s.ended_at IS NULL AND s.started_at > now() - interval '12 hours'
  AND EXISTS (SELECT 1 FROM deck d JOIN deck_person p ON p.deck_id = d.id
    WHERE d.id = s.deck_id AND d.trashed_at IS NULL AND p.teacher_id = s.teacher_id)`;

const signed = (secret: string, nonce: string): Buffer =>
  createHmac('sha256', secret).update(nonce).digest();

/** What a device holds that follows a show. Nothing is kept of it: the show's secret tells that it was given here. */
export function makeFollower(showId: string, secret: string): string {
  const nonce = makeToken().slice(0, 16);
  return [showId, nonce, signed(secret, nonce).toString('base64url')].join('.');
}

/** The parts of what a device says that it was given. */
export function followerIn(token: string): { showId: string; nonce: string; sign: string } | null {
  const [showId, nonce, sign] = token.split('.');
  return showId && nonce && sign && token.length < 200 ? { showId, nonce, sign } : null;
}

export function isSigned(
  secret: string,
  { nonce, sign }: { nonce: string; sign: string },
): boolean {
  const [known, told] = [signed(secret, nonce), Buffer.from(sign, 'base64url')];
  return known.length === told.length && timingSafeEqual(known, told);
}
