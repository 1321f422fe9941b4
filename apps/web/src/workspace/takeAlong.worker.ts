import {
  alongOf,
  alongPage,
  facesFor,
  faceWithin,
  familiesIn,
  fontFaces,
  hasFormulas,
  neededBy,
  type Carried,
  type Deck,
  type Needed,
  type Slide,
} from '@gobrel/core';
import { carriedAs } from '../along/carried';
import { assetUrl, fileUrl, mediaUrl } from '../api/assets';
import { familyNameCss } from '../parts/type';

/** Slides come some at a time, and then what is to be made of them: a whole deck would hold up the page that sends it. */
export type AlongOrder =
  | { what: 'slides'; slides: readonly Slide[] }
  | {
      what: 'make';
      /** Without its slides. */
      deck: Deck;
      /** What is tried is marked. */
      hasKeys: boolean;
      /** Pictures as they were brought, or as wide as a screen. */
      isSharp: boolean;
    };
export type AlongNews =
  | { what: 'progress'; share: number }
  | {
      what: 'made';
      file: Blob;
      slides: number;
      /** Files within it, by kind. */
      files: Record<Needed['kind'], number>;
      /** How many the server does not have. */
      missing: number;
    }
  | { what: 'failed' };

/** Pixels that a picture is wide on most screens, and more than any is. */
const [ON_SCREEN, AS_BROUGHT] = [1280, 1e6];
/** How many files are fetched at once. */
const AT_ONCE = 4;
/** What the page itself says. */
const ITS_OWN_WORDS = ` ${String.fromCharCode(...Array.from({ length: 94 }, (_, at) => at + 33))}…`;
/** What is set in where a family has no letter, as `familyCss` and `letters.css` have it. */
const STAND_INS = ['Sans', 'Sans Thai', 'Sans JP', 'Sans SC', 'Sans KR', 'Emoji']
  .map((name) => `Noto ${name} Variable`)
  .toSpliced(1, 0, 'Rubik Variable');

const tell = (news: AlongNews): void => self.postMessage(news);

const slides: Deck['slides'] = {};
self.onmessage = ({ data }: MessageEvent<AlongOrder>): void => {
  if (data.what === 'slides') for (const slide of data.slides) slides[slide.id] = slide;
  else
    make({ ...data.deck, slides }, data.hasKeys, data.isSharp).then(tell, () =>
      tell({ what: 'failed' }),
    );
};

async function make(deck: Deck, hasKeys: boolean, isSharp: boolean): Promise<AlongNews> {
  const along = alongOf(deck, hasKeys);
  const { edition } = along;
  const [css, script] = await Promise.all([
    part('/along/along.css', 'text/css'),
    part('/along/along.js', 'javascript'),
  ]);
  const { faces, rest } = fontFaces(css);
  const families = new Set(
    [...familiesIn(edition), 'atkinson' as const, 'bricolage' as const].map(familyNameCss),
  );
  // What formulas are set in says nothing of which letters it has.
  if (hasFormulas(edition)) {
    for (const { family } of faces) if (family.startsWith('KaTeX')) families.add(family);
  }
  const shown = facesFor(faces, families, STAND_INS, JSON.stringify(along) + ITS_OWN_WORDS);
  const needs = neededBy(edition);
  const wanted = needs.flatMap((needed) => addressesOf(needed, isSharp));
  let done = 0;
  const carry = async (address: string): Promise<{ type: string; base64: string } | null> => {
    const carried = await fetched(address);
    done += 1;
    tell({ what: 'progress', share: done / (shown.length + wanted.length) });
    return carried;
  };
  const fonts = await inTurn(shown, async (face) => {
    const font = await carry(new URL(face.file, `${self.location.origin}/along/`).href);
    return font ? faceWithin(face, font.base64) : '';
  });
  const carried = await inTurn(wanted, async ({ id, address }): Promise<Carried | null> => {
    const file = await carry(address);
    return file && { id, ...file };
  });
  const there = carried.filter((one) => one !== null);
  const style = fonts.join('') + rest;
  const page = alongPage({ along, style, script, carried: there });
  return {
    what: 'made',
    file: new Blob(page, { type: 'text/html' }),
    slides: Object.keys(edition.slides).length,
    files: {
      picture: needs.filter(({ kind }) => kind === 'picture').length,
      media: needs.filter(({ kind }) => kind === 'media').length,
      file: needs.filter(({ kind }) => kind === 'file').length,
    },
    missing: carried.length - there.length,
  };
}

/** Where the server has a file, and as what the page carries it. */
function addressesOf(needed: Needed, isSharp: boolean): { id: string; address: string }[] {
  const { hash, kind, isAnimated } = needed;
  const one = (address: string, isStill = false) => ({ id: carriedAs(hash, isStill), address });
  if (kind === 'media') return [one(mediaUrl({ hash, type: '', size: 0, seconds: 0 }))];
  if (kind === 'file') return [one(fileUrl({ hash, name: 'file', size: 0 }))];
  const asset = { hash, width: 1, height: 1, isAnimated };
  // Made smaller it would move no more.
  const width = isSharp || isAnimated ? AS_BROUGHT : ON_SCREEN;
  return [
    one(assetUrl(asset, width)),
    ...(isAnimated ? [one(assetUrl(asset, ON_SCREEN, true), true)] : []),
  ];
}

/** A part of every such page. Whatever else answers at its address is not taken for it. */
async function part(address: string, type: string): Promise<string> {
  const answer = await fetch(address);
  if (!answer.ok || !answer.headers.get('content-type')?.includes(type)) {
    throw new Error('not there');
  }
  return answer.text();
}

/** A file in base64; null when the server does not have it. Without an answer it throws. */
async function fetched(address: string): Promise<{ type: string; base64: string } | null> {
  const answer = await fetch(address);
  if (!answer.ok) return null;
  const bytes = await answer.blob();
  const url = await new Promise<string>((read, fail) => {
    const reader = new FileReader();
    reader.onload = () => read(reader.result as string);
    reader.onerror = () => fail(new Error('not read'));
    reader.readAsDataURL(bytes);
  });
  return {
    type: bytes.type.split(';')[0] ?? '',
    base64: url.slice(url.indexOf(',') + 1),
  };
}

/** Does one thing to each, some at once, and keeps their order. */
async function inTurn<T, R>(all: readonly T[], work: (one: T) => Promise<R>): Promise<R[]> {
  const made: R[] = [];
  let next = 0;
  const hand = async (): Promise<void> => {
    for (let at = next++; at < all.length; at = next++) made[at] = await work(all[at]!);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, hand));
  return made;
}
