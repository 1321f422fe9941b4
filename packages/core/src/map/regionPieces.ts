import { CARD } from '../deck/slides/cards.js';
import { meets, union } from '../geometry/transform.js';
import type { Box } from '../parts/place.js';
import { sure } from '../parts/sure.js';

interface Spot {
  x: number;
  y: number;
}

/** Shares of the room round cards that are tried in turn, where other cards lie close. */
const SHARES = [1, 0.6, 0.3, 0.1];

/**
 * The room round the cards of a section, in map units: one box where no other card lies in it, else as few as there
 * need be for none to lie in any. Each is wider than its cards by `room`, and higher by `head` above, for the name; less
 * where another card is close.
 */
export function piecesAround(
  members: readonly Spot[],
  strangers: readonly Spot[],
  room: number,
  head: number,
): Box[] {
  const whole = sure(union(members.map(boxOf)), 'a section that is drawn has cards');
  const cards = members.map(boxOf);
  // One that lies on a card of the section cannot be gone round.
  const near = strangers
    .map(boxOf)
    .filter((box) => meets(box, grown(whole, room, head)) && !cards.some((one) => meets(one, box)));
  const isFree = (box: Box): boolean => !near.some((stranger) => meets(stranger, box));
  const withRoom = (box: Box): Box => {
    const tried = SHARES.map((share) => grown(box, share * room, share * head));
    return tried.find(isFree) ?? box;
  };
  if (isFree(whole)) return [withRoom(whole)];
  const pieces: Box[] = [];
  const inOrder = [...members].sort((a, b) => a.y - b.y || a.x - b.x).map(boxOf);
  // Each card goes to the piece that grows the least by it.
  for (const card of inOrder) {
    let best = -1;
    let least = Infinity;
    pieces.forEach((piece, at) => {
      const both = around(piece, card);
      const growth = both.w * both.h - piece.w * piece.h;
      if (growth < least && isFree(both)) [best, least] = [at, growth];
    });
    if (best < 0) pieces.push(card);
    else pieces[best] = around(pieces[best]!, card);
  }
  for (let at = 0; at < pieces.length; at += 1) {
    const other = pieces.findIndex(
      (piece, next) => next > at && isFree(around(pieces[at]!, piece)),
    );
    if (other < 0) continue;
    pieces[at] = around(pieces[at]!, pieces[other]!);
    pieces.splice(other, 1);
    at = -1;
  }
  return pieces.map(withRoom);
}

const around = (a: Box, b: Box): Box => union([a, b]) ?? a;

const boxOf = ({ x, y }: Spot): Box => ({ x, y, w: CARD.width, h: CARD.height });

const grown = ({ x, y, w, h }: Box, room: number, head: number): Box => ({
  x: x - room,
  y: y - head,
  w: w + 2 * room,
  h: h + room + head,
});
